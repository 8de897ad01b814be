<?php

declare(strict_types=1);

namespace Welkion\Cli\Command;

use Welkion\Cli\Failure;
use Welkion\Cli\Input;
use Welkion\Cli\Json;
use Welkion\Cli\Options;
use Welkion\Cli\Points;
use Welkion\Core\Titration\ConductivityTitration;
use Welkion\Core\Titration\EquivalencePoint;
use Welkion\Core\Titration\HalfEquivalence;
use Welkion\Core\Titration\PhTitration;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;
use Welkion\Core\Warning;

/** Finds equivalence volumes and the concentration they tell. */
final class Titration extends Command
{
    public function name(): string
    {
        return 'titration';
    }

    public function purpose(): string
    {
        return 'finds the equivalence volumes of a titration, and the concentration they tell';
    }

    public function options(): array
    {
        return [
            'volume' => '*name or symbol of the column of added volume; mL if it has no unit',
            'signal' => '*name or symbol of the column of pH or conductivity',
            'kind' => '*ph or conductivity',
            'titrant' => 'concentration of the titrant in mol/L, such as 0.1 or 0.1+-0.0005',
            'sample' => 'volume of the sample in mL, such as 25 or 25+-0.03',
            'ratio' => 'mol of titrant for one mol of analyte; 1 if left out. Of several jumps, the one of this number is used',
        ];
    }

    public function run(Options $options, Input $input): string
    {
        $points = Points::of($input->table($options->file()), $options->text('volume'), $options->text('signal'));
        $unit = $points->xUnit();
        $millilitres = $unit->isOne() ? $points->x : array_map(static fn (float $v): float => $unit->convert($v, Unit::parse('mL')), $points->x);
        $titrant = $options->measured('titrant');
        $sample = $options->measured('sample');
        foreach (['titrant' => $titrant, 'sample' => $sample, 'ratio' => [$options->number('ratio') ?? 1.0]] as $name => $value) {
            if ($value !== null && $value[0] <= 0.0) {
                throw Failure::input("The option --{$name} must be above 0.");
            }
        }
        $result = match ($options->text('kind')) {
            'ph', 'pH' => $this->ofPh($millilitres, $points->y, $titrant[0] ?? null, $sample[0] ?? null),
            'conductivity' => $this->ofConductivity($millilitres, $points->y, $sample[0] ?? null),
            default => throw Failure::input("--kind is ph or conductivity, but \"{$options->text('kind')}\" was given."),
        };
        [$document, $volumes, $warnings] = $result;
        $ratio = $options->number('ratio') ?? 1.0;
        $used = $volumes === [] ? null : $volumes[min(count($volumes), max(1, (int) round($ratio))) - 1];

        return Json::of($document + [
            'concentration' => $used === null || $titrant === null || $sample === null ? null : $this->concentration($used, $titrant, $sample, $ratio),
            'missing' => $points->missing,
            'warnings' => self::warnings([...$this->rows($points), ...$warnings]),
        ]);
    }

    /**
     * @param  list<float>  $millilitres
     * @param  list<float>  $ph
     * @return array{array<string, mixed>, list<Measured>, list<Warning>}
     */
    private function ofPh(array $millilitres, array $ph, ?float $titrant, ?float $sample): array
    {
        $titration = PhTitration::of($millilitres, $ph, $titrant, $sample);
        $refined = $titration->refined;

        return [[
            'equivalence' => array_map(static fn (EquivalencePoint $p): array => self::measured($p->volume) + [
                'signal' => $p->ph, 'from' => $p->from, 'to' => $p->to, 'straight' => self::measured($p->straight),
            ], $titration->jumps),
            'refined' => array_map(self::measured(...), $refined->volumes ?? []),
            'halfEquivalence' => array_map(static fn (HalfEquivalence $h): array => [
                'volume' => $h->volume->value, 'ph' => $h->ph->value, 'uncertainty' => $h->ph->uncertainty,
            ], $titration->halves),
            'gran' => $titration->gran === null ? null : self::measured($titration->gran),
            'pKa' => $refined->pKs ?? [],
            'electrodeLag' => $refined->lag ?? null,
            'scatter' => $refined->scatter ?? $titration->curve->noise,
        ], array_map($titration->volume(...), array_keys($titration->jumps)), $titration->warnings];
    }

    /**
     * @param  list<float>  $millilitres
     * @param  list<float>  $conductivity
     * @return array{array<string, mixed>, list<Measured>, list<Warning>}
     */
    private function ofConductivity(array $millilitres, array $conductivity, ?float $sample): array
    {
        $titration = ConductivityTitration::of($millilitres, $conductivity, $sample);
        $volumes = $titration->volume === null ? [] : [$titration->volume];

        return [[
            'equivalence' => array_map(static fn (Measured $v): array => self::measured($v) + ['signal' => $titration->conductivity], $volumes),
            'refined' => array_map(self::measured(...), $volumes),
            'halfEquivalence' => [],
        ], $volumes, $titration->warnings];
    }

    /**
     * @param  array{float, float}  $titrant
     * @param  array{float, float}  $sample
     * @return array{value: float, uncertainty: float, unit: string}
     */
    private function concentration(Measured $volume, array $titrant, array $sample, float $ratio): array
    {
        $concentration = Measured::of($titrant[0], $titrant[1], Unit::parse('mol/L'))->times($volume)
            ->dividedBy(Measured::of($sample[0], $sample[1], Unit::parse('mL')))->scaledBy(1.0 / $ratio)->inUnit('mol/L');

        return ['value' => $concentration->value, 'uncertainty' => $concentration->uncertainty, 'unit' => $concentration->unit->symbol];
    }

    /** @return array{volume: float, uncertainty: float} */
    private static function measured(Measured $measured): array
    {
        return ['volume' => $measured->value, 'uncertainty' => $measured->uncertainty];
    }

    /** @return list<Warning> about the rows of the file */
    private function rows(Points $points): array
    {
        $sorted = $points->x;
        sort($sorted);

        return array_values(array_filter([
            $points->missing === 0 ? null : new Warning('missing', "{$points->missing} rows were passed over.", 'A cell in them is blank or cannot be read.'),
            $sorted === $points->x ? null : new Warning('unsorted', 'The rows are not in order of volume.', 'They were sorted.'),
        ]));
    }
}
