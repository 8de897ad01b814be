<?php

declare(strict_types=1);

namespace Welkion\Core\Working;

use Welkion\Core\Titration\EquivalenceFinder;
use Welkion\Core\Titration\EquivalencePoint;
use Welkion\Core\Titration\HalfEquivalence;
use Welkion\Core\Titration\TitrationCurve;
use Welkion\Core\Titration\TitrationWarnings;
use Welkion\Core\Uncertainty\Digits;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Warning;

/**
 * The five lines from a titration curve to the mass concentration of the analyte.
 *
 * Values pass from line to line unrounded; digits are cut only where a line is shown.
 */
final readonly class TitrationWorking
{
    public const EQUIVALENCE = 'equivalence-volume';

    public const HALF_EQUIVALENCE = 'half-equivalence';

    public const AMOUNT = 'amount';

    public const CONCENTRATION = 'concentration';

    public const MASS_CONCENTRATION = 'mass-concentration';

    public function __construct(private EquivalenceFinder $finder = new EquivalenceFinder)
    {
    }

    /**
     * @param  TitrationCurve|null  $curve  null while there are too few readings
     * @param  array{float, float}|null  $span  mL; only jumps inside it are used
     * @param  float  $phUncertainty  standard uncertainty of one pH reading
     * @return list<Line> always five, in order
     */
    public function lines(?TitrationCurve $curve, ?array $span, TitrationEntries $entries, float $phUncertainty): array
    {
        $points = $curve === null ? [] : $this->finder->find($curve);
        $inside = $span === null ? $points : array_values(array_filter(
            $points,
            static fn (EquivalencePoint $p): bool => $p->volume->value >= $span[0] && $p->volume->value <= $span[1],
        ));
        $point = $inside[0] ?? null;

        $volume = $this->equivalence($curve, $points, $point, $span);
        $half = $this->half($curve, $point, $phUncertainty);
        $amount = $this->amount($volume->result, $entries);
        $concentration = $this->concentration($amount->result, $entries);

        return [$volume, $half, $amount, $concentration, $this->massConcentration($concentration->result, $entries)];
    }

    /**
     * @param  list<EquivalencePoint>  $all
     * @param  array{float, float}|null  $span
     */
    private function equivalence(?TitrationCurve $curve, array $all, ?EquivalencePoint $point, ?array $span): Line
    {
        if ($curve === null || $point === null) {
            return new Line(self::EQUIVALENCE, 'Equivalence volume', null, 'second derivative of pH changes sign',
                needs: match (true) {
                    $curve === null => 'At least '.TitrationCurve::MIN_POINTS.' readings at different volumes are needed. Record a run first.',
                    $span !== null => 'No jump lies inside the span. Move it over the steep part, or clear it.',
                    default => 'No jump stands out from the noise yet. Take readings past the steep part.',
                });
        }
        $warnings = TitrationWarnings::slips($curve);
        if (count($all) > 1 && $span === null) {
            $warnings[] = new Warning('several-jumps', count($all).' jumps were found.',
                'This line uses the first. Drag a span over the one you mean.');
        }
        $coarse = TitrationWarnings::coarse($point);
        if ($coarse !== null) {
            $warnings[] = $coarse;
        }

        return new Line(self::EQUIVALENCE, 'Equivalence volume', $point->volume,
            sprintf('second derivative of pH changes sign between %.2F and %.2F mL, read from a curve through the points around it; pH %.1F there', $point->from, $point->to, $point->ph),
            formula: 'd²(pH)/dV² = 0', warnings: $warnings);
    }

    private function half(?TitrationCurve $curve, ?EquivalencePoint $point, float $phUncertainty): Line
    {
        $half = $curve === null || $point === null ? null : HalfEquivalence::of($curve, $point->volume, $phUncertainty);
        $warnings = [];
        if ($half !== null && ($half->ph->value < 2.5 || $half->ph->value > 11.5)) {
            $warnings[] = new Warning('not-weak', 'This may be a strong acid or base.',
                'Only for a weak one is the pH half way its pKₐ.');
        }

        return new Line(self::HALF_EQUIVALENCE, 'Half-equivalence, pKₐ', $half?->ph,
            'pH read half way to the equivalence volume, where pH = pKₐ',
            formula: 'pKₐ = pH at ½ · ①',
            numbers: $half === null ? '' : 'pH at ½ × '.self::shown($half->volume->scaledBy(2.0)).' = '.self::shown($half->volume),
            uses: [self::EQUIVALENCE],
            warnings: $warnings,
            needs: match (true) {
                $point === null => 'Needs line ①.',
                $half === null => 'No reading was taken before half the equivalence volume.',
                default => null,
            });
    }

    private function amount(?Measured $volume, TitrationEntries $entries): Line
    {
        [$concentration, $ratio] = [$entries->titrantConcentration, $entries->ratio];
        $missing = self::missing($volume, '①', [
            "concentration of {$entries->titrant}" => $concentration, 'reaction ratio' => $ratio,
        ]);
        $result = $volume === null || $concentration === null || $ratio === null
            ? null : $concentration->times($volume)->times($ratio)->inUnit('mmol');

        return new Line(self::AMOUNT, "Amount of {$entries->analyte}", $result,
            "{$entries->analyte} : {$entries->titrant} = ".($ratio === null ? '?' : self::shown($ratio)).' : 1',
            formula: "n = c({$entries->titrant}) · ① · ratio",
            numbers: $result === null ? '' : self::shown($concentration).' × '.self::shown($volume).' × '.self::shown($ratio),
            uses: [self::EQUIVALENCE], needs: $missing);
    }

    private function concentration(?Measured $amount, TitrationEntries $entries): Line
    {
        $volume = $entries->sampleVolume;
        $result = $amount === null || $volume === null ? null : $amount->dividedBy($volume)->inUnit('mol/L');

        return new Line(self::CONCENTRATION, "Concentration in the {$entries->sample}", $result,
            'amount divided by the volume of the sample',
            formula: 'c = ③ ÷ V(sample)',
            numbers: $result === null ? '' : self::shown($amount).' ÷ '.self::shown($volume),
            uses: [self::AMOUNT], needs: self::missing($amount, '③', ['sample volume' => $volume]));
    }

    private function massConcentration(?Measured $concentration, TitrationEntries $entries): Line
    {
        $molarMass = $entries->molarMass;
        $result = $concentration === null || $molarMass === null ? null : $concentration->times($molarMass)->inUnit('g/L');

        return new Line(self::MASS_CONCENTRATION, "As {$entries->analyte}", $result,
            'concentration times molar mass',
            formula: 'β = ④ · M',
            numbers: $result === null ? '' : self::shown($concentration).' × '.self::shown($molarMass),
            uses: [self::CONCENTRATION], needs: self::missing($concentration, '④', ['molar mass' => $molarMass]));
    }

    /** @param  array<string, Measured|null>  $entries */
    private static function missing(?Measured $line, string $number, array $entries): ?string
    {
        $names = array_keys(array_filter($entries, static fn (?Measured $m): bool => $m === null));
        if ($names !== []) {
            return 'Type the '.implode(' and the ', $names).'.';
        }

        return $line === null ? "Needs line {$number}." : null;
    }

    private static function shown(Measured $measured): string
    {
        return trim(Digits::of($measured)->value.' '.$measured->unit->symbol);
    }
}
