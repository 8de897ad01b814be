<?php

declare(strict_types=1);

/*
 * One of several shares of the test classes of a folder, about as much work each, as a filter for PHPUnit:
 *   php tests/Support/share.php FOLDER SHARE SHARES
 */
[, $folder, $share, $shares] = $argv + [1 => '', 2 => '1', 3 => '1'];
$classes = [];
foreach (glob("{$folder}/*Test.php") ?: [] as $file) {
    // Nobody keeps account of how long each takes; a long file has many tests.
    $classes[basename($file, '.php')] = (int) filesize($file);
}
arsort($classes);
$sizes = array_fill(1, max(1, (int) $shares), 0);
$named = array_fill(1, max(1, (int) $shares), []);
foreach ($classes as $class => $size) {
    $lightest = (int) array_search(min($sizes), $sizes, true);
    $sizes[$lightest] += $size;
    $named[$lightest][] = $class;
}
echo '/\\\\('.implode('|', $named[(int) $share] ?? ['NoSuchTest']).')::/';
