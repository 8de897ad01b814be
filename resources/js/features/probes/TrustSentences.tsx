/** What must be said of the calibrations a run was recorded with. */
export function TrustSentences({ sentences }: { sentences: readonly string[] }) {
  return sentences.map((sentence) => (
    <p key={sentence} className="amber text-sm">
      {sentence}
    </p>
  ))
}
