<?php

declare(strict_types=1);

namespace Welkion\Core\Series;

/**
 * Smallest, largest, first and last value of every so many samples, made once when a block is written, so that a
 * long run can be drawn without reading its samples.
 */
final readonly class Summary
{
    public const SAMPLES = 256;

    /** Numbers kept for each stretch: smallest, largest, first, last. */
    private const NUMBERS = 4;

    /** @param  list<float>  $numbers */
    private function __construct(private array $numbers)
    {
    }

    /** @param  list<float>  $values  consecutive samples */
    public static function of(array $values): self
    {
        $numbers = [];
        $n = count($values);
        for ($from = 0; $from < $n; $from += self::SAMPLES) {
            $low = $high = $values[$from];
            $to = min($n, $from + self::SAMPLES);
            for ($i = $from + 1; $i < $to; $i++) {
                $value = $values[$i];
                if ($value < $low) {
                    $low = $value;
                } elseif ($value > $high) {
                    $high = $value;
                }
            }
            array_push($numbers, $low, $high, $values[$from], $values[$to - 1]);
        }

        return new self($numbers);
    }

    /** @param  string  $bytes  as packed() wrote them, of one or more blocks in a row */
    public static function unpacked(string $bytes): self
    {
        /** @var array<int, float> $numbers */
        $numbers = unpack('e*', $bytes) ?: [];

        return new self(array_values($numbers));
    }

    /** As little-endian doubles, to be kept beside the samples. */
    public function packed(): string
    {
        return pack('e*', ...$this->numbers);
    }

    /** The same for longer stretches, so many of these put together: for looking at a very long run from afar. */
    public function coarser(int $together): self
    {
        $numbers = [];
        for ($i = 0, $n = count($this->numbers); $i < $n; $i += $together * self::NUMBERS) {
            $low = $this->numbers[$i];
            $high = $this->numbers[$i + 1];
            $to = min($n, $i + $together * self::NUMBERS);
            for ($j = $i + self::NUMBERS; $j < $to; $j += self::NUMBERS) {
                $low = min($low, $this->numbers[$j]);
                $high = max($high, $this->numbers[$j + 1]);
            }
            array_push($numbers, $low, $high, $this->numbers[$i + 2], $this->numbers[$to - 1]);
        }

        return new self($numbers);
    }

    /** How many stretches it has. */
    public function stretchCount(): int
    {
        return intdiv(count($this->numbers), self::NUMBERS);
    }

    /**
     * Smallest and largest value in each of so many equal parts.
     *
     * @param  int  $parts  usually one for each pixel across
     * @return list<float> smallest, largest, smallest, largest, ...; fewer where there are fewer stretches
     */
    public function envelope(int $parts): array
    {
        $count = $this->stretchCount();
        $parts = max(1, min($parts, $count));
        $envelope = [];
        $i = 0;
        for ($part = 1; $part <= $parts && $count > 0; $part++) {
            $to = intdiv($count * $part, $parts) * self::NUMBERS;
            $low = $this->numbers[$i];
            $high = $this->numbers[$i + 1];
            for ($i += self::NUMBERS; $i < $to; $i += self::NUMBERS) {
                $low = min($low, $this->numbers[$i]);
                $high = max($high, $this->numbers[$i + 1]);
            }
            $envelope[] = $low;
            $envelope[] = $high;
        }

        return $envelope;
    }
}
