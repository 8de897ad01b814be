<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Models\Column;
use App\Models\Entry;
use App\Models\Experiment;
use App\Models\Run;
use App\Models\User;
use App\Notebook\ColumnBook;
use App\Notebook\EntryBook;
use App\Notebook\ExperimentStart;
use App\Notebook\FigureBook;
use App\Notebook\LineBook;
use App\Notebook\ProtocolLibrary;
use App\Notebook\Sender;
use App\Notebook\WayBook;
use App\Recording\MarkerBook;
use App\Recording\SetAsideBook;
use App\Typing\CellBook;
use App\Typing\TypedRunStart;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Welkion\Core\Fitting\Relation;
use Welkion\Standins\World\Noise;

/** Numbers that were typed or read from a file, reasoned about to the end: a table, a straightened relation, a table of runs, a peak that moved. */
final readonly class TypedExperiments
{
    /** Volume of the vat, L. */
    private const VAT = 100.0;

    private const FLOWS = [10.2, 12.0, 15.1, 18.0, 22.4, 27.9, 34.0, 41.3];

    /** Loss of mass of whey of each strength in g/s, by trial. */
    private const RATES = ['full strength' => [0.01139, 0.01097, 0.01118], 'half strength' => [0.00571, 0.00546, 0.00562], 'quarter strength' => [0.00283, 0.00274, 0.00291]];

    /** Strength of the acid in mol/L. */
    private const STRENGTHS = ['full strength' => 0.044, 'half strength' => 0.022, 'quarter strength' => 0.011];

    /** Where the peak of each cider lies, nm. */
    private const PEAKS = ['fresh' => 431.0, 'a week old' => 442.5];

    private Noise $noise;

    public function __construct(private User $teacher)
    {
        $this->noise = new Noise(new Randomizer(new Mt19937(21)));
    }

    public function seed(): void
    {
        $this->vat(12);
        $this->fizzing(6);
        $this->cider(4);
    }

    private function vat(int $daysAgo): void
    {
        $experiment = $this->experiment('How long does a vat take to fill?', ['q' => ['Flow of the tap', 'L/min'], 't' => ['Time to fill the vat', 'min']]);
        $run = $this->run($experiment, [], array_map(fn (float $q): array => [self::told($q, 1), self::told(self::VAT / $q + 0.02 * $this->noise->next(), 2)], self::FLOWS));
        app(SetAsideBook::class)->set($run, [4], 'tap was turned meanwhile', $this->sender());
        app(WayBook::class)->take($run, 'q', 't', Relation::Inverse, true, $this->sender());
        $this->finished($experiment, $daysAgo, 'How does the time depend on the flow, and what does the constant mean?');
    }

    private function fizzing(int $daysAgo): void
    {
        $experiment = $this->experiment('How fast does washing soda fizz in whey?', ['t' => ['Time', 's'], 'm' => ['Loss of mass', 'g']]);
        app(EntryBook::class)->add($experiment, ['symbol' => 'c', 'name' => 'Strength of the acid', 'unit' => 'mol/L', 'is_per_run' => true, 'is_words' => false], null, null, $this->sender());
        $strength = Entry::query()->where('experiment_id', $experiment->id)->where('symbol', 'c')->firstOrFail();
        foreach (self::RATES as $condition => $rates) {
            foreach ($rates as $i => $rate) {
                $run = $this->run($experiment, ['condition' => $condition, 'trial' => $i + 1], array_map(
                    fn (int $t): array => [(string) $t, self::told($rate * $t + 0.002 * $this->noise->next(), 3)], range(0, 120, 10),
                ));
                app(EntryBook::class)->type($experiment, $strength, ['typed' => self::told(self::STRENGTHS[$condition], 3)], $run, $this->sender());
            }
        }
        $this->line($experiment, 'slope', 'r', 'Rate', true, ['uses' => ['x' => 't', 'y' => 'm']]);
        app(FigureBook::class)->add($experiment, '', ['x' => 'c', 'panels' => [['y' => ['r']]], 'points' => 'apart', 'bars' => true], $this->sender());
        $this->line($experiment, 'relation', 'k', 'Rate for each mol/L', false, ['uses' => ['x' => 'c', 'y' => 'r'], 'texts' => ['relation' => Relation::Proportional->value]]);
        $this->finished($experiment, $daysAgo, 'Does the gas come half as fast from whey half as strong?');
    }

    private function cider(int $daysAgo): void
    {
        $experiment = $this->experiment('Does cider darken while it stands?', ['w' => ['Wavelength', 'nm'], 'A' => ['Light taken away', '']]);
        foreach (self::PEAKS as $condition => $peak) {
            $run = $this->run($experiment, ['condition' => $condition, 'trial' => 1], array_map(fn (int $w): array => [
                (string) $w, self::told(0.3 - 0.001 * ($w - 400) + 0.6 * exp(-0.5 * (($w - $peak) / 9.0) ** 2) + 0.003 * $this->noise->next(), 4),
            ], range(400, 480, 2)));
        }
        app(MarkerBook::class)->pin($run, 6, 'lamp steady from here', $this->sender());
        $this->line($experiment, 'relation', 'peak', 'Peak', true, ['uses' => ['x' => 'w', 'y' => 'A'], 'texts' => ['relation' => Relation::GaussianOnLine->value]]);
        $this->line($experiment, 'two-runs', 'moved', 'How far the peak moved', false, ['uses' => ['result' => 'peak.m'], 'texts' => ['run' => '2', 'other' => '1']]);
        $this->finished($experiment, $daysAgo, 'Where does cider take light away, and does that move while it stands?');
    }

    /** @param  array<string, array{string, string}>  $columns  name and unit by symbol */
    private function experiment(string $title, array $columns): Experiment
    {
        $protocol = (new ProtocolLibrary)->find('blank')->protocol ?? throw new \LogicException('There is no blank notebook.');
        $experiment = (new ExperimentStart)->begin($this->teacher, (string) Str::uuid(), $title, $protocol, null)->refresh();
        foreach ($columns as $symbol => [$name, $unit]) {
            app(ColumnBook::class)->add($experiment, ['symbol' => $symbol, 'name' => $name, 'unit' => $unit, 'kind' => 'typed'], null, $this->sender());
        }

        return $experiment;
    }

    /**
     * @param  array<string, mixed>  $described  condition and trial
     * @param  list<list<string>>  $rows  as typed
     */
    private function run(Experiment $experiment, array $described, array $rows): Run
    {
        app(TypedRunStart::class)->start($experiment, $described, $this->sender());
        $run = Run::query()->where('experiment_id', $experiment->id)->latest('id')->firstOrFail();
        $columns = array_values(Column::query()->where('experiment_id', $experiment->id)->where('kind', 'typed')->get()->sortBy('position')->map(static fn (Column $c): int => $c->id)->all());
        app(CellBook::class)->put($run->setRelation('experiment', $experiment), null, $columns, $rows, $this->sender());

        return $run->refresh();
    }

    /** @param  array{uses: array<string, string>, texts?: array<string, string>}  $told */
    private function line(Experiment $experiment, string $method, string $symbol, string $title, bool $isPerRun, array $told): void
    {
        app(LineBook::class)->add($experiment, ['symbol' => $symbol, 'title' => $title, 'method' => $method, 'is_per_run' => $isPerRun], $told, $this->sender());
    }

    private function finished(Experiment $experiment, int $daysAgo, string $aim): void
    {
        DB::table('experiments')->where('id', $experiment->id)->update(['aim' => $aim, 'created_at' => now()->subDays($daysAgo), 'updated_at' => now()->subDays($daysAgo)]);
    }

    private function sender(): Sender
    {
        return new Sender($this->teacher, (string) Str::uuid());
    }

    private static function told(float $value, int $decimals): string
    {
        return number_format($value, $decimals, '.', '');
    }
}
