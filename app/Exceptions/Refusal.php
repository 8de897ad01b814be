<?php

declare(strict_types=1);

namespace App\Exceptions;

/** A rule of the job forbids what was asked, in words to read out; $problem names the rule for the screen. */
final class Refusal extends \DomainException
{
    private function __construct(public readonly string $problem, string $sentence, public readonly int $status = 409)
    {
        parent::__construct($sentence);
    }

    /** The same, said of one of several probes. */
    public function of(string $probe): self
    {
        return new self($this->problem, "{$probe}: ".lcfirst($this->getMessage()), $this->status);
    }

    public static function notSteady(float $drift, string $unit): self
    {
        return new self('not-steady', sprintf(
            'Not steady yet: it still moves by %s %s per minute. Wait a little, or take it anyway; it will be noted.',
            number_format($drift, abs($drift) < 0.1 ? 3 : 1),
            $unit,
        ));
    }

    public static function windowTooShort(float $windowS): self
    {
        return new self('not-steady', sprintf('Not steady yet: less than %.0F s have passed since the last change. '
            .'Wait a little, or take it anyway; it will be noted.', $windowS));
    }

    public static function scatters(float $scatter, string $unit): self
    {
        return new self('not-steady', sprintf(
            'Not steady: it scatters by %s %s. Look for a loose plug, a bubble, someone moving or mains hum; or take it anyway, it will be noted.',
            number_format($scatter, $scatter < 0.1 ? 3 : 1), $unit,
        ));
    }

    public static function unplugged(string $probe): self
    {
        return new self('probe-unplugged', "{$probe} is unplugged. Plug it in and try again; what was read is kept.");
    }

    public static function pluggedIn(string $probe): self
    {
        return new self('probe-plugged-in', "{$probe} is plugged in. Pull it out, then put it away.");
    }

    public static function elsewhere(string $probe, string $serial, string $there, string $here): self
    {
        return new self('probe-elsewhere', "{$probe} {$serial} is at bench {$there} now. Bring it back to bench {$here} to go on with this run.");
    }

    public static function nothingToRecord(string $bench): self
    {
        return new self('no-electrode', "No pH electrode is plugged in at bench {$bench}. Plug one in, then start.");
    }

    public static function calibrationInUse(int $runs): self
    {
        return new self('calibration-in-use', ($runs === 1 ? 'A run was' : "{$runs} runs were")
            .' recorded with this calibration, so it stays. Set it aside with a reason instead.');
    }

    public static function noZero(string $probe): self
    {
        return new self('no-zero', "{$probe} has no zero to take: its nothing lies where the calibration puts it.");
    }

    public static function volumeTaken(float $volume): self
    {
        return new self('volume-taken', sprintf(
            'There is a reading at %.2F mL already, perhaps from another screen. Use retake to replace it.', $volume,
        ));
    }

    public static function runFinished(): self
    {
        return new self('run-finished', 'This run is finished. Start a new run to take more readings.');
    }

    public static function benchBusy(string $title): self
    {
        return new self('bench-busy', "A run of \"{$title}\" is still open on this bench. Finish it first.");
    }

    public static function calibrationClosed(): self
    {
        return new self('calibration-closed', 'This calibration is finished. Start a new one.');
    }

    public static function calibrationNotReady(string $why): self
    {
        return new self('calibration-not-ready', $why);
    }

    public static function volumeBackwards(float $volume, float $reached): self
    {
        return new self('volume-backwards', sprintf(
            'The burette stands at %.2F mL already, so %.2F mL cannot be reached. Retake a reading to correct it.',
            $reached, $volume,
        ));
    }
}
