<?php

declare(strict_types=1);

/*
 * The names of one of several shares of the test files, about as much work each:
 *   php tests/Support/share.php PATTERN SHARE SHARES BETWEEN
 */
[, $pattern, $share, $shares, $between] = $argv + [1 => '', 2 => '1', 3 => '1', 4 => ' '];
$files = [];
foreach (glob($pattern) ?: [] as $file) {
    // Nobody keeps account of how long each takes; a long file has many tests.
    $files[explode('.', basename($file))[0]] = (int) filesize($file);
}
arsort($files);
$sizes = array_fill(1, max(1, (int) $shares), 0);
$named = array_fill(1, max(1, (int) $shares), []);
foreach ($files as $name => $size) {
    $lightest = (int) array_search(min($sizes), $sizes, true);
    $sizes[$lightest] += $size;
    $named[$lightest][] = $name;
}
echo implode($between, $named[(int) $share] ?? ['NoSuchTest']);
