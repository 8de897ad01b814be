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

    public static function notSteady(float $drift, string $unit): self
    {
        return new self('not-steady', sprintf(
            'Not steady yet: it still moves by %s %s per minute. Wait a little, or take it anyway; it will be noted.',
            number_format($drift, 1),
            $unit,
        ));
    }

    public static function windowTooShort(): self
    {
        return new self('not-steady', 'Not steady yet: less than 10 s have passed since the last change. '
            .'Wait a little, or take it anyway; it will be noted.');
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
