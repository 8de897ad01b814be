<?php

declare(strict_types=1);

/*
 * The tests that failed in a JUnit report, as a filter for PHPUnit:
 *   php tests/Support/failed.php REPORT MOST
 * Ends with 1 if there is no report, none failed, or more than so many, which is no slip.
 */
[, $file, $most] = $argv + [1 => '', 2 => '0'];
$report = @simplexml_load_file($file);
$cases = $report === false ? [] : ($report->xpath('//testcase[failure or error]') ?: []);
if ($cases === [] || count($cases) > (int) $most) {
    exit(1);
}
// PHPUnit takes "#name" for the data set that is meant; the report writes it out.
$names = array_map(static fn (SimpleXMLElement $c): string => preg_quote("{$c['class']}::{$c['name']}", '/'), $cases);
echo '/^('.implode('|', $names).')$/';
