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

    /** @param  list<string>  $probes  what is needed */
    public static function nothingToRecord(string $bench, array $probes, ?string $beside): self
    {
        return new self('no-probe', $beside === null
            ? "Bench {$bench} has no ".lcfirst(implode(' and no ', $probes)).' plugged in. Plug it in, then start.'
            : "Neither bench {$bench} nor bench {$beside} has this plugged in and free: ".lcfirst(implode(', ', $probes)).'. Plug it in, then start.');
    }

    public static function noBench(): self
    {
        return new self('no-bench', 'Choose a bench to record at.');
    }

    public static function nothingMeasured(): self
    {
        return new self('nothing-measured', 'This notebook has no column to measure. Add one, or choose a protocol that has.');
    }

    public static function changedMeanwhile(string $who, string $what): self
    {
        return new self('changed-meanwhile', "{$who} has changed this meanwhile: {$what}. Look at it, then say it again if you still want to.");
    }

    public static function changedSince(string $who, string $what): self
    {
        return new self('changed-since', "This cannot be undone any more: {$who} has changed the same since ({$what}).");
    }

    public static function nothingTaken(): self
    {
        return new self('nothing-taken', 'No run of this experiment has readings yet. Record one first.');
    }

    public static function nothingToUndo(): self
    {
        return new self('nothing-to-undo', 'There is nothing of yours left to undo here.');
    }

    public static function nothingToRedo(): self
    {
        return new self('nothing-to-redo', 'There is nothing to do again.');
    }

    public static function tooMany(int $most): self
    {
        return new self('too-many', "This notebook has {$most} of these already, which is all it can hold. Remove some that are not needed, or begin another experiment.");
    }

    public static function symbolTaken(string $symbol): self
    {
        return new self('symbol-taken', "The symbol \"{$symbol}\" is used here already. Choose another.", 422);
    }

    public static function noProtocol(string $why): self
    {
        return new self('no-protocol', "This file is no protocol Welkion can use. {$why}", 422);
    }

    public static function badFormula(string $why): self
    {
        return new self('bad-formula', $why, 422);
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

    public static function stepTaken(string $step): self
    {
        return new self('step-taken', "There is a reading at {$step} already, perhaps from another screen. Use retake to replace it.");
    }

    public static function runFinished(): self
    {
        return new self('run-finished', 'This run is finished. Start a new run to take more readings.');
    }

    public static function notRecorded(): self
    {
        return new self('not-recorded', 'This run is typed, so there is nothing to go on with at a bench. Type below its last row, or start another run.');
    }

    public static function rowsAreRecorded(): self
    {
        return new self('rows-are-recorded', 'The rows of this run were recorded, so none is put in or moved. Set those aside that should not count.');
    }

    public static function rowGone(): self
    {
        return new self('row-gone', 'This row is not there any more; perhaps it was deleted on another screen. What you typed is still on yours.');
    }

    public static function columnGone(): self
    {
        return new self('column-gone', 'This column is not there any more; perhaps it was removed on another screen.');
    }

    public static function columnHasCells(string $column, string $run): self
    {
        return new self('column-has-cells', "Column {$column} has cells in {$run} already. Let the file go into a new column, or clear that one first.", 409);
    }

    public static function trialsBelowRows(): self
    {
        return new self('trials-below-rows', 'Trials become runs of their own, so they do not go below the rows of this one. Take them into new runs.', 422);
    }

    public static function columnTwice(): self
    {
        return new self('column-twice', 'Two columns of the file go into one column here. Choose another for one of them, or leave it out.', 422);
    }

    public static function fileTooLarge(int $most): self
    {
        return new self('file-too-large', sprintf('This file is larger than %d MB. Save fewer rows or columns of it as CSV, or every second row, and try again.', intdiv($most, 1_000_000)), 413);
    }

    public static function fileNotKept(): self
    {
        return new self('file-not-kept', 'The file could not be kept: the disk of this computer is full or cannot be written. Make room and try again.', 507);
    }

    public static function fileGone(string $name): self
    {
        return new self('file-gone', "The file {$name} is not on this computer any more. Choose it again.", 410);
    }

    public static function notTyped(string $column, ?string $formula): self
    {
        return new self('not-typed', $formula === null ? "{$column} was recorded in this run, so its cells are not typed over. Set aside what should not count."
            : "{$column} is worked out by {$formula}. Change the formula, or what it uses.", 422);
    }

    public static function notConvertible(string $column, string $from, string $to): self
    {
        return new self('not-convertible', "The numbers of {$column} are in ".($from === '' ? 'no unit' : $from).', which cannot be converted into '.($to === '' ? 'none' : $to).'. Keep the numbers as they are, or choose another unit.', 422);
    }

    public static function notSoManyReadings(int $count): self
    {
        return new self('too-few-rows', "From this row on the run has only {$count} readings. Choose as many cells as there are readings, or paste into a new run.", 422);
    }

    public static function tooManyRows(int $most): self
    {
        return new self('too-many-rows', sprintf('A run has at most %s rows. Put what is more into another run: as a file, save it in parts.', number_format($most)), 422);
    }

    public static function tooManyCells(int $most): self
    {
        return new self('too-many-cells', sprintf('At most %s cells are typed over at once. Do it in parts, or put the numbers into a new run.', number_format($most)), 422);
    }

    public static function fileTooWide(int $most): self
    {
        return new self('file-too-wide', sprintf('At most %s cells of a file are read. Save fewer rows or fewer columns of it, and try again.', number_format($most)), 422);
    }

    public static function notTimed(): self
    {
        return new self('not-timed', 'This run takes readings step by step. Only a run against time has moments and goes on for a time; here a marker stands at a row.');
    }

    public static function hasMoments(): self
    {
        return new self('has-moments', 'In a run against time a marker stands at a moment: tell it as "at", in seconds after the run began.', 422);
    }

    public static function emptyNote(): self
    {
        return new self('empty-note', 'Write what happened there.', 422);
    }

    public static function noSuchRow(int $row): self
    {
        return new self('no-such-row', "There is no row {$row} in this run (any more).", 422);
    }

    public static function hasNotBegun(): self
    {
        return new self('has-not-begun', 'This run still waits for its beginning, so there is nothing to go on with.');
    }

    public static function noMoment(): self
    {
        return new self('no-moment', 'The recorder cannot say what time it is on this bench just now. Try again in a moment.', 503);
    }

    public static function runBegan(): self
    {
        return new self('run-began', 'This run is being recorded, so how often and when it begins stay as they are. Stop it, or let it go on; the next one can be planned anew.');
    }

    public static function cannotWaitFor(string $column): self
    {
        return new self('cannot-wait', "The run is to wait for \"{$column}\", which is no measured column of this notebook (any more). Choose another.", 422);
    }

    public static function waitsForMissing(string $column): self
    {
        return new self('cannot-wait', "The run is to wait for \"{$column}\", but its probe is not plugged in. Plug it in, or begin by something else.");
    }

    public static function waitsForBeside(string $column, string $beside, string $bench): self
    {
        return new self('cannot-wait', "A run cannot wait for \"{$column}\", because it is measured at bench {$beside}. Let it begin and end by something of bench {$bench}, or make {$beside} the first bench.");
    }

    public static function kindIsKnown(string $probe): self
    {
        return new self('kind-is-known', "What {$probe} measures is known by its kind. Its calibration can choose another unit.");
    }

    public static function recordedInUnit(string $probe, string $unit): self
    {
        return new self('recorded-in-unit', "Runs were recorded with {$probe} in {$unit} before it was calibrated; they would be read wrongly in another unit. Calibrate it in {$unit}, or put it away and plug it in under another serial number.");
    }

    public static function clocksApart(string $bench, string $beside): self
    {
        return new self('clocks-apart', "The clocks of {$bench} and {$beside} cannot be set beside each other yet: both must be connected for some seconds, and run at the same pace. Wait a moment, then start again.");
    }

    public static function twoRecorders(string $bench, string $beside): self
    {
        return new self('two-recorders', "{$bench} and {$beside} are recorded by two recorders, which do not know each other's clocks. Give both to one recorder, or record at one bench.");
    }

    public static function besideItself(string $bench): self
    {
        return new self('beside-itself', "{$bench} is the bench of this experiment already. Choose another one to record beside it.");
    }

    public static function benchAway(string $bench): self
    {
        return new self('bench-away', "Bench {$bench} was put away. Bring it back under Benches, or choose another.");
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

    public static function stepBackwards(string $step, string $reached): self
    {
        return new self('step-backwards', "This run stands at {$reached} already, so {$step} cannot be reached. Retake a reading to correct it.");
    }

    public static function noSuchCode(): self
    {
        return new self('no-such-code', 'No board is open under this code. Look at the projector again: two words and a number, as PLUM-FERN-472.', 404);
    }

    public static function tooManyCodes(int $seconds): self
    {
        return new self('too-many-codes', "Too many wrong codes were tried. Wait {$seconds} s and try again.", 429);
    }

    public static function boardClosed(): self
    {
        return new self('board-closed', 'This board was closed. Ask for a new code.', 410);
    }

    public static function notLetIn(): self
    {
        return new self('not-let-in', 'Type the code of the board first.', 403);
    }
}
