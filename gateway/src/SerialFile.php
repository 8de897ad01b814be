<?php

declare(strict_types=1);

namespace Welkion\Gateway;

/** The small file that says what stands behind a serial port: a name, and what each number of a line is. */
final readonly class SerialFile
{
    private const MOST_CHANNELS = 16;

    private const BAUDS = [1200, 2400, 4800, 9600, 19_200, 38_400, 57_600, 115_200, 230_400];

    /** @param  list<SerialChannel>  $channels  in the order their numbers stand on a line */
    private function __construct(public string $bench, public int $port, public int $baud, public array $channels)
    {
    }

    /** @throws SerialProblem If the file cannot be used; the message says what and where. */
    public static function read(string $path): self
    {
        $text = is_file($path) ? file_get_contents($path) : false;
        if ($text === false) {
            throw new SerialProblem("There is no file {$path}. Write one as docs/connect.md shows.");
        }
        $data = json_decode($text, true);
        if (! is_array($data)) {
            throw new SerialProblem("{$path} is no JSON object: ".json_last_error_msg().'.');
        }

        return self::of($data);
    }

    /**
     * @param  array<array-key, mixed>  $data  bench, port, baud, channels
     *
     * @throws SerialProblem If something does not fit.
     */
    public static function of(array $data): self
    {
        $bench = is_string($data['bench'] ?? null) ? trim($data['bench']) : '';
        $port = $data['port'] ?? 9100;
        $baud = $data['baud'] ?? 9600;
        $channels = is_array($data['channels'] ?? null) ? array_values($data['channels']) : [];
        match (true) {
            $bench === '' => throw new SerialProblem('Give the bench a name: "bench": "Cedar".'),
            ! is_int($port) || $port < 1024 || $port > 65_535 => throw new SerialProblem('"port" is a whole number from 1024 to 65535.'),
            ! in_array($baud, self::BAUDS, true) => throw new SerialProblem('"baud" is one of '.implode(', ', self::BAUDS).'.'),
            $channels === [] || count($channels) > self::MOST_CHANNELS => throw new SerialProblem('"channels" lists what the numbers of a line are, from 1 to '.self::MOST_CHANNELS.' of them.'),
            default => null,
        };
        $read = array_map(static fn (mixed $c, int $i): SerialChannel => SerialChannel::of(is_array($c) ? $c : [], $i + 1, $bench), $channels, array_keys($channels));
        foreach (['name' => array_map(static fn (SerialChannel $c): string => $c->name, $read), 'serial' => array_map(static fn (SerialChannel $c): string => $c->serial, $read)] as $what => $of) {
            if (count(array_unique($of)) < count($of)) {
                throw new SerialProblem("Each channel needs a {$what} of its own.");
            }
        }

        return new self($bench, $port, $baud, $read);
    }
}
