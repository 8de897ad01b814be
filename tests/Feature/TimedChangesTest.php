<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Experiment;
use App\Models\Run;
use App\Models\User;
use Database\Seeders\Larkfield;
use Database\Seeders\MilkExperiment;
use Tests\TestCase;

/** A timed run is worked out in the middle of a change, too: when it is foreseen, when it is looked back at, when a formula is read. */
final class TimedChangesTest extends TestCase
{
    private Experiment $experiment;

    private Run $run;

    protected function setUp(): void
    {
        parent::setUp();
        $teacher = $this->teacher();
        $this->actingAs($teacher);
        $this->experiment = $this->milkOf($teacher);
        $this->run = $this->experiment->runs()->firstOrFail();
    }

    public function test_a_change_is_foreseen_and_made_and_the_notebook_looked_at_as_it_was(): void
    {
        $before = $this->results();
        $aside = ['readings' => range(200, 260), 'reason' => 'The door was open.'];
        $foreseen = $this->putJson("/api/runs/{$this->run->id}/set-aside", $aside, ['Foresee' => 'yes'])->assertOk();
        self::assertSame($before, $this->results(), 'Nothing was made by it.');

        $made = $this->putJson("/api/runs/{$this->run->id}/set-aside", $aside)->assertOk();
        self::assertSame(self::told($foreseen->json('worked')), self::told($made->json('worked')));
        self::assertNotSame($before, $this->results());
        $this->getJson($this->path('history/0'))->assertOk();
        self::assertSame($before, self::told($this->getJson($this->path('history/0'))->json('worked')));
    }

    public function test_a_formula_over_it_is_read_while_the_column_is_made(): void
    {
        $this->postJson($this->path('columns'), ['symbol' => 'late', 'name' => 'Half of the time', 'kind' => 'derived', 'formula' => 't/2'])->assertCreated();

        self::assertSame('s', array_column($this->getJson($this->path())->json('columns'), null, 'symbol')['late']['unit']);
    }

    private function milkOf(User $teacher): Experiment
    {
        $birch = (new Larkfield($teacher, 'timed-changes'))->benches(['Birch'])['Birch'];
        $this->keepForTearDown($birch);
        (new MilkExperiment($teacher, $birch, $birch->probes()->where('serial', 'Birch-3')->firstOrFail()))->seed();

        return Experiment::query()->where('user_id', $teacher->id)->firstOrFail();
    }

    /** @return array<string, float|null> value of each line by symbol and run */
    private function results(): array
    {
        return self::told($this->getJson($this->path('worked'))->assertOk()->json('worked'));
    }

    /**
     * @param  list<array{symbol: string, runId: int|null, result: array{value: float}|null}>  $worked
     * @return array<string, float|null>
     */
    private static function told(array $worked): array
    {
        return array_combine(
            array_map(static fn (array $w): string => "{$w['symbol']} {$w['runId']}", $worked),
            array_map(static fn (array $w): ?float => $w['result']['value'] ?? null, $worked),
        );
    }

    private function path(string $of = ''): string
    {
        return "/api/experiments/{$this->experiment->id}".($of === '' ? '' : "/{$of}");
    }
}
