<?php

declare(strict_types=1);

namespace App\Recorder\Link;

/** Cuts what a device sends into lines and reads each as JSON, within limits. */
final class LineReader
{
    /** Two minutes of a channel at 500 Hz, all at once, are about 4 MB. */
    public const LONGEST_LINE = 8_000_000;

    /** A hello with what an onlooker sees is about six deep. */
    private const DEEPEST = 16;

    private string $rest = '';

    /**
     * @return list<array<array-key, mixed>> the messages that are complete now
     *
     * @throws DeviceFault If a line is too long, or no JSON object or list.
     */
    public function messages(string $data): array
    {
        $this->rest .= $data;
        if (! str_contains($data, "\n")) {
            $this->requireShort(strlen($this->rest));

            return [];
        }
        $lines = explode("\n", $this->rest);
        $this->rest = array_pop($lines);
        $this->requireShort(max(strlen($this->rest), ...array_map(strlen(...), $lines)));

        return array_map(self::message(...), array_values(array_filter($lines, static fn (string $l): bool => trim($l) !== '')));
    }

    /** @return array<array-key, mixed> */
    private static function message(string $line): array
    {
        $message = json_decode($line, true, self::DEEPEST);
        if (! is_array($message)) {
            $shown = mb_substr((string) preg_replace('/[^\x20-\x7E]+/', '·', substr($line, 0, 120)), 0, 40);

            throw DeviceFault::because("sent a line that is no JSON object or list, or is nested too deeply: “{$shown}”");
        }

        return $message;
    }

    private function requireShort(int $length): void
    {
        if ($length > self::LONGEST_LINE) {
            throw DeviceFault::because('sent a line of more than 8 MB without an end');
        }
    }
}
