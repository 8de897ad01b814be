<?php

declare(strict_types=1);

/*
 * The tests that failed in JUnit reports, as a filter for PHPUnit:
 *   php tests/Support/failed.php MOST REPORT...
 * Ends with 1 if a report is missing, none failed, or more than so many, which is no slip.
 */
$files = array_slice($argv, 2);
$cases = [];
foreach ($files as $file) {
    $report = @simplexml_load_file($file);
    if ($report === false) {
        exit(1);
    }
    $cases = [...$cases, ...($report->xpath('//testcase[failure or error]') ?: [])];
}
if ($cases === [] || count($cases) > (int) ($argv[1] ?? 0)) {
    exit(1);
}
// PHPUnit takes "#name" for the data set that is meant; the report writes it out.
$names = array_map(static fn (SimpleXMLElement $c): string => preg_quote("{$c['class']}::{$c['name']}", '/'), $cases);
echo '/^('.implode('|', $names).')$/';
