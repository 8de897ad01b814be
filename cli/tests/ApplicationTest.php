<?php

declare(strict_types=1);

namespace Welkion\Cli\Tests;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Cli\Application;
use Welkion\Core\Tests\Reference;

final class ApplicationTest extends TestCase
{
    private const TABLE = "Time (s),Volume (mL),P (kPa)\n0,10,100\n1,9,111.2\n2,8,\n3,7,about 140\n4,6,166.5\n5,5,200.1\n";

    public function test_reads_standard_input_and_counts_data_rows_from_one(): void
    {
        $document = self::answer(['read', '-']);

        self::assertSame(6, $document['rows']);
        self::assertSame(['name' => 'P', 'symbol' => 'P', 'unit' => 'kPa', 'kind' => 'number', 'count' => 4, 'missing' => 2, 'sum' => 577.8], $document['columns'][2]);
        self::assertSame([['row' => 4, 'column' => 3, 'name' => 'P', 'text' => 'about 140']], $document['unreadable']);
        self::assertSame([['row' => 3, 'column' => 3, 'name' => 'P']], $document['blank']);
    }

    public function test_tells_trials_of_a_wide_table_and_remarks_after_it(): void
    {
        $document = self::answer(['read', '-'], "Time (s),half strength trial 1 (°C),half strength trial 2 (°C)\n0,60,61\n10,52,53\nNotes: door opened at 8 s\n");

        self::assertSame([
            ['condition' => 'half strength', 'trial' => 1, 'symbol' => $document['columns'][1]['symbol']], ['condition' => 'half strength', 'trial' => 2, 'symbol' => $document['columns'][2]['symbol']],
        ], $document['trials']);
        self::assertSame(2, $document['rows']);
        self::assertContains('Not part of the table: "Notes: door opened at 8 s".', $document['notes']);
        self::assertArrayNotHasKey('trials', self::answer(['read', '-']));
    }

    public function test_describes_a_stretch_of_a_column(): void
    {
        $document = self::answer(['stats', '-', '--column', 'V', '--by', 't', '--from', '1', '--to=3']);

        self::assertSame([3, 8, 1, 7, 9, 8, 2], array_map(static fn (string $key) => $document[$key], ['n', 'mean', 'sd', 'min', 'max', 'median', 'range']));
        self::assertEqualsWithDelta(1.0 / sqrt(3.0), $document['standardError'], 1e-12);
    }

    public function test_derives_a_column_and_leaves_the_rest_as_it_was(): void
    {
        [$exit, $output] = self::typed(['derive', '-', '--formula', 'P*Volume', '--name', 'PV', '--unit', 'J']);

        self::assertSame(0, $exit);
        self::assertSame([
            'Time (s),Volume (mL),P (kPa),PV (J)', '0,10,100,1', '1,9,111.2,1.0008', '2,8,,', '3,7,about 140,', '4,6,166.5,0.999', '5,5,200.1,1.0005',
        ], self::rounded($output));
    }

    public function test_entries_bring_values_that_are_in_no_column(): void
    {
        [, $output] = self::typed(['derive', '-', '--formula', 'n*R*(293.15 [K])/Volume', '--name', 'p', '--unit', 'kPa', '--entries', 'n=0.41 mmol']);

        // n R T / V by hand: 0.41 mmol 8.314463 J/(mol K) 293.15 K / 10 mL = 99.93 kPa.
        self::assertStringStartsWith('0,10,100,99.93', explode("\n", $output)[1]);
    }

    public function test_fits_what_is_asked_and_counts_what_was_passed_over(): void
    {
        $document = self::answer(['fit', '-', '--x', 'V', '--y', 'P', '--relation', 'inverse']);

        self::assertSame(['inverse', 'a/x', 4, 2, 3, true, 'mJ'], [
            $document['relation'], $document['formula'], $document['n'], $document['missing'], $document['degreesOfFreedom'], $document['converged'], $document['constants']['a']['unit'],
        ]);
        self::assertEqualsWithDelta(1000.0, $document['constants']['a']['value'], 2.0);
        self::assertLessThan($document['constants']['a']['value'], $document['constants']['a']['low']);
        $typed = self::answer(['fit', '-', '--x', 'V', '--y', 'P', '--formula', 'b1/x + b2', '--start', 'b1=1, b2=0']);
        self::assertSame(['b1', 'b2'], array_keys($typed['constants']));
        self::assertSame(2, self::answer(['fit', '-', '--x', 'V', '--y', 'P', '--relation', 'inverse', '--from', '7', '--to', '10'])['n']);
    }

    public function test_weights_and_bounds_of_a_fit_can_be_given(): void
    {
        $table = "x,y,w\n0,1,3\n1,4,1\n2,9,\n";
        $mean = self::answer(['fit', '-', '--x', 'x', '--y', 'y', '--formula', 'a + 0*x', '--weights', 'w'], $table);
        self::assertEqualsWithDelta(1.75, $mean['constants']['a']['value'], 1e-12);
        self::assertSame([2, 1], [$mean['n'], $mean['missing']]);

        $bounded = self::answer(['fit', '-', '--x', 'V', '--y', 'P', '--formula', 'a/x + b', '--start', 'a=900,b=1', '--bounds', 'a=:950, b=0:']);
        self::assertSame(950, $bounded['constants']['a']['value']);
        self::assertContains('at-bound', array_column($bounded['warnings'], 'code'));
    }

    public function test_straightens_with_the_best_first(): void
    {
        $document = self::answer(['straighten', '-', '--x', 'V', '--y', 'P'], "V (mL),P (kPa)\n10,100.1\n9,111.0\n8,125.2\n7,142.7\n6,166.8\n5,199.8\n");

        self::assertSame('inverse', $document['best']);
        self::assertSame(['relation', 'x', 'y', 'slope', 'intercept', 'rSquared', 'bends', 'criterion'], array_keys($document['candidates'][0]));
    }

    public function test_titrates_with_the_ratio_that_names_the_jump(): void
    {
        $file = dirname(__DIR__, 2).'/core/tests/reference/titration/t05-washing-soda.csv';
        $options = ['titration', $file, '--volume', 'V', '--signal', 'pH', '--kind', 'ph', '--titrant', '0.1006+-0.0002', '--sample', '25+-0.03'];
        foreach (['1', '2'] as $ratio) {
            $concentration = self::answer([...$options, '--ratio', $ratio])['concentration'];

            self::assertEqualsWithDelta(0.0487, $concentration['value'], 0.0002515);
            // 0.2 % and 0.12 % in squares make 0.23 %; the volume adds little.
            self::assertEqualsWithDelta(0.0023 * 0.0487, $concentration['uncertainty'], 0.0005 * 0.0487);
        }
        self::assertNull(self::answer(array_slice($options, 0, 8))['concentration']);
    }

    public function test_volumes_in_litres_are_turned_into_millilitres(): void
    {
        $millilitres = self::answer(['titration', dirname(__DIR__, 2).'/core/tests/reference/titration/t02-cider-vinegar.csv', '--volume', 'V', '--signal', 'pH', '--kind', 'ph']);
        $rows = array_map('str_getcsv', array_slice(file(dirname(__DIR__, 2).'/core/tests/reference/titration/t02-cider-vinegar.csv', FILE_IGNORE_NEW_LINES) ?: [], 1));
        $litres = "V (L),pH\n".implode("\n", array_map(static fn (array $r): string => ((float) $r[0] / 1000.0).",{$r[1]}", $rows))."\n";

        self::assertEqualsWithDelta($millilitres['refined'][0]['volume'], self::answer(['titration', '-', '--volume', 'V', '--signal', 'pH', '--kind', 'ph'], $litres)['refined'][0]['volume'], 1e-6);
    }

    /** @return iterable<string, array{string, list<string>, string, array<string, string>}> file, options, verdict, field of the document to field of the truth */
    public static function calibrations(): iterable
    {
        $electrode = ['slope' => 'slope', 'offset' => 'offset', 'percentOfIdeal' => 'percent_of_nernst'];
        $cell = ['slope' => 'slope', 'cellConstant' => 'cell_constant', 'offset' => 'offset_conductance'];
        yield 'healthy electrode' => ['k01-electrode-healthy', ['--kind', 'ph'], 'healthy', $electrode];
        yield 'aged electrode at 20 °C' => ['k02-electrode-aged', ['--kind', 'ph', '--temperature', '20'], 'aged', $electrode];
        yield 'failing electrode' => ['k03-electrode-failing', ['--kind', 'ph'], 'failing', $electrode];
        yield 'electrode with an offset' => ['k04-electrode-offset', ['--kind', 'ph', '--temperature', '22'], 'offset', $electrode];
        yield 'swapped buffers' => ['k05-electrode-swapped', ['--kind', 'ph'], 'buffers_swapped', $electrode];
        yield 'accepted too early' => ['k06-electrode-not-settled', ['--kind', 'ph', '--kept-at', '12'], 'not_settled', $electrode];
        yield 'accepted late enough' => ['k06-electrode-not-settled', ['--kind', 'ph', '--kept-at', '178'], 'healthy', $electrode];
        yield 'settling curves to their end' => ['k06-electrode-not-settled', ['--kind', 'ph'], 'healthy', $electrode];
        yield 'conductivity cell' => ['k07-conductivity-cell', ['--kind', 'conductivity'], 'good', $cell];
        yield 'conductivity cell that leaks' => ['k08-conductivity-offset', ['--kind', 'conductivity', '--nominal', '0.1'], 'good', $cell];
        yield 'thermometer in two baths' => ['k09-thermometer-ice-steam', ['--kind', 'linear', '--barometer', '98.3'], 'straight', ['slope' => 'probe_slope', 'offset' => 'probe_offset']];
        yield 'transducer' => ['k11-pressure-volts', ['--kind', 'linear'], 'straight', ['slope' => 'slope', 'offset' => 'offset']];
    }

    /**
     * @param  list<string>  $options
     * @param  array<string, string>  $fields
     */
    #[DataProvider('calibrations')]
    public function test_calibrates_the_probes_of_the_reference(string $name, array $options, string $verdict, array $fields): void
    {
        $truth = Reference::truths('calibration')["{$name}.csv"]['truth'];
        $document = self::answer(['calibrate', Reference::path('calibration', "{$name}.csv"), ...$options]);

        self::assertSame($verdict, $document['verdict']);
        foreach ($fields as $field => $true) {
            self::assertEqualsWithDelta($truth[$true]['value'], $document[$field], $truth[$true]['tolerance'], $field);
        }
        self::assertGreaterThan(0, $document['slopeUncertainty']);
        self::assertSame($document['verdict'] === 'not_settled' ? ['not-settled'] : [], array_values(array_unique(array_intersect(array_column($document['warnings'], 'code'), ['not-settled']))));
    }

    public function test_a_cell_in_a_standard_away_from_25_degrees_is_compensated(): void
    {
        $document = self::answer(['calibrate', '-', '--kind', 'conductivity', '--temperature', '20', '--coefficient', '0.02'], 'Standard (mS/cm),Conductance (mS)
1.413,1.2717
');

        // 1.413 mS/cm at 25 °C is 1.413 * 0.9 = 1.2717 mS/cm at 20 °C.
        self::assertEqualsWithDelta(1.0, $document['cellConstant'], 1e-12);
        self::assertSame(1, $document['n']);
    }

    /** @return iterable<string, array{list<string>, int, string}> what is typed, exit code, sentence */
    public static function mistakes(): iterable
    {
        yield 'no such command' => [['plot', '-'], 2, 'There is no command "plot". The commands are: read, stats, derive, fit, straighten, titration, calibrate, work, methods, protocol, protocols.'];
        yield 'no such protocol' => [['protocol', 'magic', '-'], 2, 'There is no protocol "magic". The protocols are: blank, cooling, dilution-line'];
        yield 'no such entry' => [['protocol', 'dilution-line', '-', '--entry', 'q=1'], 2, 'There is no entry "q". The entries are: solute, k_u.'];
        yield 'a column that is worked out' => [['protocol', 'gas-in-a-syringe', '-', '--use', 'PV=V'], 2, 'There is no column "PV" to fill. The columns are: V, P, T.'];
        yield 'no file' => [['read'], 2, 'Name the file to use, or - for standard input.'];
        yield 'a file that is not there' => [['read', 'nowhere.csv'], 2, 'The file "nowhere.csv" cannot be read. Check its name.'];
        yield 'an unknown option' => [['stats', '-', '--col', 'V'], 2, 'There is no option --col. The options are: --column, --by, --from, --to.'];
        yield 'an option without a value' => [['stats', '-', '--column'], 2, 'The option --column needs a value.'];
        yield 'a needed option left out' => [['stats', '-'], 2, 'The option --column is needed.'];
        yield 'a word for a number' => [['stats', '-', '--column', 'V', '--from', 'ten'], 2, 'The option --from takes a number, but "ten" was given.'];
        yield 'an unknown column' => [['stats', '-', '--column', 'Mass'], 2, 'There is no column "Mass". The columns are: Time (t), Volume (V), P.'];
        yield 'an empty stretch' => [['stats', '-', '--column', 'V', '--by', 't', '--from', '50'], 2, 'No row has a number in both "t" and "V" between --from and --to.'];
        yield 'a bracket not closed' => [['derive', '-', '--formula', 'P*(V', '--name', 'n'], 2, 'At character 3: the bracket opened here is never closed.'];
        yield 'an unknown relation' => [['fit', '-', '--x', 'V', '--y', 'P', '--relation', 'curvy'], 2, 'There is no relation "curvy". The relations are: '];
        yield 'neither relation nor formula' => [['fit', '-', '--x', 'V', '--y', 'P'], 2, 'Give either --relation or --formula.'];
        yield 'a start that is none' => [['fit', '-', '--x', 'V', '--y', 'P', '--formula', 'a*x', '--start', 'a:5'], 2, 'The option --start is written as a=5,k=0.1, but "a:5" is not.'];
        yield 'bounds that are none' => [['fit', '-', '--x', 'V', '--y', 'P', '--relation', 'linear', '--bounds', 'a>5'], 2, 'The option --bounds is written as k=0:1,c=:5, but "a>5" is not.'];
        yield 'an empty range' => [['fit', '-', '--x', 'V', '--y', 'P', '--relation', 'linear', '--bounds', 'a=5:1'], 2, 'The lower bound of a must lie below its upper bound.'];
        yield 'more constants than points' => [['fit', '-', '--x', 'V', '--y', 'P', '--relation', 'gaussian_on_line'], 2, 'This fit needs at least 5 points at different places, but there are 4.'];
        yield 'constants the data leave open' => [['fit', '-', '--x', 'V', '--y', 'P', '--formula', '(a + b)*x'], 3, 'These data do not determine the constants'];
        yield 'a kind that is none' => [['titration', '-', '--volume', 'V', '--signal', 'P', '--kind', 'colour'], 2, '--kind is ph or conductivity, but "colour" was given.'];
        yield 'a probe that is none' => [['calibrate', '-', '--kind', 'smell'], 2, '--kind is ph, conductivity or linear, but "smell" was given.'];
        yield 'no method' => [['work'], 2, 'Name METHOD.'];
        yield 'a method that is none' => [['work', 'divine', '-'], 2, 'There is no method "divine". The methods are: formula, statistics, slope,'];
        yield 'a method without its file' => [['work', 'slope', '--use', 'x=t', '--use', 'y=V'], 2, 'slope works with columns: name the file to use, or - for standard input.'];
        yield 'a column left out' => [['work', 'slope', '-', '--use', 'x=t'], 2, 'slope needs a column: --use y=COLUMN.'];
        yield 'a column it does not take' => [['work', 'statistics', '-', '--use', 'z=V'], 2, 'statistics takes no column "z". It takes: column.'];
        yield 'a use that is none' => [['work', 'slope', '-', '--use', 'x'], 2, 'The option --use is written as NAME=VALUE, but "x" is not.'];
        yield 'a value left out' => [['work', 'value-at', '-', '--use', 'x=t', '--use', 'y=V'], 2, 'value-at needs a value: --set at=VALUE (At which x).'];
        yield 'a value it does not take' => [['work', 'statistics', '-', '--use', 'column=V', '--set', 'at=2'], 2, 'statistics takes no input "at".'];
        yield 'a word for a value' => [['work', 'value-at', '-', '--use', 'x=t', '--use', 'y=V', '--set', 'at=noon'], 2, 'at takes a value such as 20, 20 g or 20 +- 0.05 g, but "noon" was given.'];
        yield 'a stretch that is none' => [['work', 'statistics', '-', '--use', 'column=V', '--span', 't'], 2, 'A stretch of rows is written as COLUMN:FROM:TO, but "t" is not.'];
        yield 'a stretch that ends before it begins' => [['work', 'statistics', '-', '--use', 'column=V', '--span', 't:3:1'], 2, 'The stretch "t:3:1" begins after it ends.'];
        yield 'a stretch without rows' => [['work', 'statistics', '-', '--use', 'column=V', '--where', 't:50:60'], 2, 'No row has a number in every column that is used within these bounds.'];
        yield 'a curve that does not name its standard' => [['calibrate', '-', '--kind', 'ph'], 2, 'The column "Volume" does not say its standard: its name needs the value, as "buffer 4.01".'];
        yield 'no pressure of open air' => [['calibrate', Reference::path('calibration', 'k09-thermometer-ice-steam.csv'), '--kind', 'linear', '--barometer', '983'], 2, 'The barometric pressure must lie between 50 and 110 kPa, but 983 was given.'];
        yield 'a moment without a curve' => [['calibrate', Reference::path('calibration', 'k01-electrode-healthy.csv'), '--kind', 'ph', '--kept-at', '12'], 2, '--kept-at needs settling curves: time in the first column and a raw column for each standard.'];
        yield 'too few readings' => [['titration', '-', '--volume', 'V', '--signal', 'P', '--kind', 'ph'], 2, 'A titration curve needs at least 5 points at different places, but there are 4.'];
    }

    /** @param  list<string>  $words */
    public function test_works_out_a_method_on_the_rows_that_count(): void
    {
        $slope = self::answer(['work', 'slope', '-', '--use', 'x=t', '--use', 'y=P', '--span', 't:0:4', '--where', 'V:6:']);
        // Rows 1, 2 and 5: the others have no pressure. By hand: mean t 5/3, mean P 125.9, sxx 26/3, sxy 147.7.
        self::assertEqualsWithDelta(147.7 / (26.0 / 3.0), $slope['outcomes']['slope']['value'], 1e-9);
        self::assertSame(['kPa/s', 'kPa'], array_column($slope['outcomes'], 'unit'));
        self::assertSame(['method', 'outcomes', 'lists', 'warnings', 'needs', 'formula'], array_keys($slope));
        self::assertSame([[], [], null], [$slope['lists'], $slope['warnings'], $slope['needs']]);

        $at = self::answer(['work', 'value-at', '-', '--use', 'x=t', '--use', 'y=V', '--set', 'at=0.025 min']);
        self::assertEqualsWithDelta(8.5, $at['outcomes']['value']['value'], 1e-12);
        $outside = self::answer(['work', 'value-at', '-', '--use', 'x=t', '--use', 'y=V', '--set', 'at=90']);
        self::assertSame(['This x lies outside of the points. Choose one between the first and the last.', []], [$outside['needs'], $outside['outcomes']]);
    }

    public function test_a_formula_needs_no_file_and_tells_its_sources(): void
    {
        $document = self::answer(['work', 'formula', '--set', 'formula=a/b', '--set', 'a=2.0 +- 0.1 g', '--set', 'b=4 ± 0.1 mL']);

        self::assertEqualsWithDelta(0.5, $document['outcomes']['value']['value'], 1e-12);
        self::assertEqualsWithDelta(0.5 * hypot(0.05, 0.025), $document['outcomes']['value']['uncertainty'], 1e-12);
        self::assertSame('g/mL', $document['outcomes']['value']['unit']);
        self::assertSame(['a', 'b'], $document['lists']['sources']['names']);
        self::assertEqualsWithDelta([80.0, 20.0], $document['lists']['sources']['values'], 1e-9);
        $same = self::answer(['work', 'formula', '--set', 'formula=a/a', '--set', 'a=2.0 +- 0.1 g'])['outcomes']['value'];
        self::assertEquals([1.0, 0.0], [$same['value'], $same['uncertainty']]);
    }

    public function test_lists_its_methods(): void
    {
        $methods = array_column(self::answer(['methods']), null, 'method');

        self::assertSame(['formula', 'statistics', 'slope', 'area', 'value-at', 'x-at', 'difference', 'ends', 'tangent', 'constancy', 'relation', 'accepted', 'two-runs', 'equivalence', 'half-equivalence', 'refined-equivalence', 'finer-steps'], array_keys($methods));
        self::assertSame(['slope' => 'Slope', 'intercept' => 'Intercept'], $methods['slope']['outcomes']);
        self::assertSame([['name' => 'x', 'kind' => 'column', 'words' => 'x', 'isRequired' => true], ['name' => 'y', 'kind' => 'column', 'words' => 'y', 'isRequired' => true]], $methods['slope']['inputs']);
        self::assertStringContainsString('Usage: welkion work METHOD FILE?', self::typed(['work', '--help'])[1]);
    }

    public function test_a_protocol_works_out_its_lines_on_a_file(): void
    {
        $gas = "Vol (mL),P (kPa)\n50,100\n40,124\n30,164.2\n25,195\n,7\n20,242\n";
        $told = self::answer(['protocol', 'gas-in-a-syringe', '-', '--use', 'V=Vol'], $gas);
        $lines = array_column($told['lines'], null, 'symbol');
        self::assertSame(['gas-in-a-syringe', ['PVm', 'k', 's', 'C', 'Vt'], null], [$told['protocol'], array_keys($lines), $told['groups']]);
        self::assertEqualsWithDelta((5000.0 + 4960.0 + 4926.0 + 4875.0 + 4840.0) / 5.0, $lines['PVm']['value'], 1e-9, 'The blank row does not count.');
        self::assertEqualsWithDelta(1.2, $lines['Vt']['value'], 0.3);
        self::assertSame(['mL', 'kPa mL'], [$lines['Vt']['unit'], $lines['PVm']['unit']]);

        $dilution = self::answer(['protocol', 'dilution-line', '-', '--entry', 'k_u=600 +- 3'], "c,k\n0,10\n0.5,500\n1,1001\n");
        $lines = array_column($dilution['lines'], null, 'symbol');
        self::assertEqualsWithDelta(0.6, $lines['c_u']['value'], 0.01);
        self::assertSame(['title' => 'Rise for one per cent', 'needs' => null], array_intersect_key($lines['a'], ['title' => 0, 'needs' => 0]));
        self::assertSame('Type the conductivity of the unknown.', self::answer(['protocol', 'dilution-line', '-'], "c,k\n0,10\n1,1001\n")['lines'][1]['needs']);
        self::assertContains('three-baths', array_column(self::answer(['protocols']), 'protocol'));
    }

    public function test_a_protocol_finds_its_columns_by_name_or_by_a_symbol_that_measures_the_same(): void
    {
        $whey = ['protocol', 'titration', 'core/tests/reference/titration/t03-sour-whey.csv', '--entry', 'c=0.0985 mol/L', '--entry', 'V0=50 mL'];
        self::assertEqualsWithDelta(0.0413, array_column(self::answer($whey)['lines'], 'value', 'symbol')['c_s'], 0.0001);
        $voltages = self::answer(['protocol', 'gas-in-a-syringe', '-'], "Voltage (mV),P (kPa)\n50,100\n40,124\n30,164\n");
        self::assertSame('Waits for V: Run 1 has no V: it was recorded without it.', array_column($voltages['lines'], 'needs', 'symbol')['PVm']);
    }

    #[DataProvider('mistakes')]
    public function test_a_mistake_is_one_json_sentence_and_an_exit_code(array $words, int $exit, string $sentence): void
    {
        [$code, $output, $errors] = self::typed($words);

        self::assertSame([$exit, ''], [$code, $output]);
        self::assertStringStartsWith($sentence, json_decode($errors, true, flags: JSON_THROW_ON_ERROR)['error']['message']);
    }

    public function test_every_command_tells_how_it_is_used(): void
    {
        foreach ([[], ['read'], ['stats'], ['derive'], ['fit'], ['straighten'], ['titration'], ['calibrate'], ['protocol'], ['protocols']] as $words) {
            [$exit, $output] = self::typed([...$words, '--help']);

            self::assertSame(0, $exit);
            self::assertStringContainsString('Usage: welkion '.($words[0] ?? 'COMMAND'), $output);
        }
    }

    public function test_the_program_itself_runs_without_anything_installed(): void
    {
        $copy = sys_get_temp_dir().'/welkion-cli-'.getmypid();
        mkdir("{$copy}/bin", recursive: true);
        foreach (['core', 'cli', 'deploy'] as $folder) {
            symlink(dirname(__DIR__, 2)."/{$folder}", "{$copy}/{$folder}");
        }
        copy(dirname(__DIR__, 2).'/bin/welkion', "{$copy}/bin/welkion");
        chmod("{$copy}/bin/welkion", 0755);
        exec('printf "x,y\n1,2\n2,4\n" | '.escapeshellarg("{$copy}/bin/welkion").' stats - --column y', $output, $exit);
        exec('rm -r '.escapeshellarg($copy));

        self::assertSame(0, $exit);
        self::assertSame(3, json_decode(implode('', $output), true)['mean']);
    }

    /**
     * @param  list<string>  $words
     * @return array<string, mixed>
     */
    private static function answer(array $words, string $input = self::TABLE): array
    {
        [$exit, $output, $errors] = self::typed($words, $input);
        self::assertSame([0, ''], [$exit, $errors]);

        return json_decode($output, true, flags: JSON_THROW_ON_ERROR);
    }

    /**
     * @param  list<string>  $words
     * @return array{int, string, string} exit code, output, errors
     */
    private static function typed(array $words, string $input = self::TABLE): array
    {
        $streams = array_map(static fn () => fopen('php://memory', 'w+'), range(0, 2));
        fwrite($streams[0], $input);
        rewind($streams[0]);
        $exit = (new Application)->run($words, ...$streams);
        rewind($streams[1]);
        rewind($streams[2]);

        return [$exit, (string) stream_get_contents($streams[1]), (string) stream_get_contents($streams[2])];
    }

    /** @return list<string> lines, numbers to ten digits */
    private static function rounded(string $output): array
    {
        return array_map(static fn (string $line): string => implode(',', array_map(
            static fn (string $cell): string => is_numeric($cell) ? (string) json_encode((float) sprintf('%.10g', $cell)) : $cell, explode(',', $line))), explode("\n", trim($output)));
    }
}
