export function Wordmark() {
  return (
    <span className="inline-flex items-center gap-2 text-lg font-bold">
      <img src="/mark.svg" alt="" width="28" height="18" />
      Welkion
    </span>
  )
}
