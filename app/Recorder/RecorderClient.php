<?php

declare(strict_types=1);

namespace App\Recorder;

use App\Exceptions\BenchRefused;
use App\Exceptions\RecorderUnavailable;
use App\Models\Bench;
use App\Notebook\RunListener;
use Illuminate\Support\Facades\DB;

/** The web application's way to the recorder. */
final class RecorderClient implements RunListener
{
    private const CONNECT_WITHIN_S = 1.0;

    private const ANSWER_WITHIN_S = 4.0;

    public function __construct(private readonly Doors $doors, private readonly string $token)
    {
    }

    /**
     * @param  array<string, mixed>  $details
     * @return array<array-key, mixed>
     *
     * @throws RecorderUnavailable If the recorder cannot be reached.
     */
    public function ask(string $ask, ?Bench $bench = null, array $details = []): array
    {
        return $this->askOf($bench?->recorder, $ask, $bench, $details);
    }

    /**
     * @param  string|null  $recorder  its name; null: the one that takes all benches no other has taken
     * @param  array<string, mixed>  $details
     * @return array<array-key, mixed>
     *
     * @throws RecorderUnavailable If that recorder cannot be reached.
     */
    public function askOf(?string $recorder, string $ask, ?Bench $bench = null, array $details = []): array
    {
        $socket = @stream_socket_client("unix://{$this->doors->of($recorder)}", timeout: self::CONNECT_WITHIN_S);
        if ($socket === false) {
            throw $recorder === null ? RecorderUnavailable::notReached() : RecorderUnavailable::away($recorder);
        }
        stream_set_timeout($socket, (int) self::ANSWER_WITHIN_S);
        $question = ['token' => $this->token, 'ask' => $ask, 'bench' => $bench?->id, 'details' => $details];
        fwrite($socket, json_encode($question, JSON_THROW_ON_ERROR)."\n");
        $line = stream_get_contents($socket);
        fclose($socket);
        $answer = is_string($line) ? json_decode($line, true) : null;

        return is_array($answer) ? $answer : throw RecorderUnavailable::silent($recorder);
    }

    /**
     * @throws RecorderUnavailable If the recorder cannot be reached.
     * @throws BenchRefused If the bench has no values to give.
     */
    public function snapshot(Bench $bench): Snapshot
    {
        return Snapshot::from(self::unlessRefused($this->ask('snapshot', $bench)));
    }

    /**
     * @param  array<string, mixed>  $details
     * @return array<array-key, mixed> what an onlooker sees afterwards
     *
     * @throws RecorderUnavailable If the recorder cannot be reached.
     * @throws BenchRefused If the bench cannot do it.
     */
    public function act(Bench $bench, array $details): array
    {
        $answer = self::unlessRefused($this->ask('act', $bench, $details));

        return is_array($answer['world'] ?? null) ? $answer['world'] : [];
    }

    /** @return array<array-key, mixed> */
    public function truth(Bench $bench): array
    {
        $answer = self::unlessRefused($this->ask('truth', $bench));

        return is_array($answer['truth'] ?? null) ? $answer['truth'] : [];
    }

    /**
     * A timed run that waits for that begins now.
     *
     * @throws RecorderUnavailable If the recorder cannot be reached.
     * @throws BenchRefused If the run does not wait.
     */
    public function begin(Bench $bench, int $runId): void
    {
        self::unlessRefused($this->ask('begin', $bench, ['run' => $runId]));
    }

    /** The newest moment a bench has seen, in s of its clock; null before there is any, and while it cannot be asked. */
    public function moment(Bench $bench): ?float
    {
        try {
            $answer = $this->ask('moment', $bench);
        } catch (RecorderUnavailable) {
            return null;
        }

        return is_float($answer['time'] ?? null) || is_int($answer['time'] ?? null) ? (float) $answer['time'] : null;
    }

    /**
     * By how much the clock of the second bench is ahead of that of the first, and its standard uncertainty, both in s; null
     * while it cannot be told.
     *
     * @return array{float, float}|null
     */
    public function apart(Bench $bench, Bench $beside): ?array
    {
        try {
            $answer = $this->ask('apart', $bench, ['beside' => $beside->id]);
        } catch (RecorderUnavailable) {
            return null;
        }

        return is_numeric($answer['apart'] ?? null) && is_numeric($answer['error'] ?? null) ? [(float) $answer['apart'], (float) $answer['error']] : null;
    }

    public function restartWindows(Bench $bench): void
    {
        $this->tell('restart-windows', $bench);
    }

    public function reload(Bench $bench): void
    {
        $this->tell('reload', $bench);
    }

    /** Says what has changed, once it is stored; a recorder that is away reads it all when it is back. */
    private function tell(string $what, Bench $bench): void
    {
        DB::afterCommit(function () use ($what, $bench): void {
            try {
                $this->ask($what, $bench);
            } catch (RecorderUnavailable) {
                return;
            }
        });
    }

    /**
     * @param  array<array-key, mixed>  $answer
     * @return array<array-key, mixed>
     */
    private static function unlessRefused(array $answer): array
    {
        return is_string($answer['problem'] ?? null) ? throw new BenchRefused($answer['problem']) : $answer;
    }
}
