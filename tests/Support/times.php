<?php

declare(strict_types=1);

/*
 * The ten slowest tests of each part, from what they wrote down as they ran: php tests/Support/times.php FOLDER
 * Computing is time of a processor in the test's own processes; what is left it waits: for the copy it speaks to, for a clock, or for a
 * processor that others have.
 */
const SLOWEST = 10;

/** @return list<array{float, float, string}> seconds, of them computing, name */
function rowsOf(string $file): array
{
    if (str_ends_with($file, '.json')) {
        $report = json_decode((string) file_get_contents($file), true);
        $rows = [];
        foreach ($report['testResults'] ?? [] as $result) {
            $seconds = ($result['endTime'] - $result['startTime']) / 1000.0;
            $rows[] = [$seconds, $seconds, preg_replace('~^.*/resources/js/~', '', $result['name'])];
        }

        return $rows;
    }

    return array_map(static function (string $line): array {
        [$seconds, $computing, $name] = explode("\t", $line, 3);

        return [(float) $seconds, (float) $computing, $name];
    }, file($file, FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: []);
}

$parts = [];
foreach (glob("{$argv[1]}/test-times-*") ?: [] as $file) {
    $part = match (true) {
        str_contains($file, 'times-feature') => 'Application',
        str_contains($file, 'times-browser') => 'In the browser',
        str_contains($file, 'times-checks') => 'Checks',
        str_contains($file, 'times-screens') => 'Pure parts of the screens, by file',
        default => 'Core, stand-ins, gateway and parts of the recorder',
    };
    $parts[$part] = [...$parts[$part] ?? [], ...rowsOf($file)];
}
foreach ($parts as $part => $rows) {
    rsort($rows);
    printf("\n== %s: %d, %.0f s in all, %.0f s of them computing\n   seconds  waiting  computing\n", $part, count($rows), array_sum(array_column($rows, 0)), array_sum(array_column($rows, 1)));
    foreach (array_slice($rows, 0, SLOWEST) as [$seconds, $computing, $name]) {
        printf("  %8.1f %8.1f   %8.1f  %s\n", $seconds, max(0.0, $seconds - $computing), $computing, $name);
    }
}
