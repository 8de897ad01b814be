<?php

declare(strict_types=1);

/*
 * Times the core beside another program that does the same tasks and prints the same lines:
 *
 *   bench-beside.php PROGRAM SCRIPT
 *
 * PROGRAM SCRIPT --write DIR writes the inputs; PROGRAM SCRIPT --only TASK times one. Both run in turn, task by task,
 * and the best median of each counts: other work on the machine only ever makes a time longer.
 */

const ROUNDS = 3;
const TASKS = ['fit_exponential_200', 'fit_exponential_100k', 'linear_fit_1m', 'savgol_first_derivative_100k'];

[, $program, $script] = [...$argv, '', ''];
if ($script === '') {
    fwrite(STDERR, "Usage: bin/bench --beside PROGRAM SCRIPT\n");
    exit(2);
}
$folder = sys_get_temp_dir().'/welkion-bench-'.getmypid();
$run = static function (array $command): string {
    $process = proc_open($command, [1 => ['pipe', 'w'], 2 => STDERR], $pipes);
    $output = stream_get_contents($pipes[1]);
    if (proc_close($process) !== 0) {
        fwrite(STDERR, 'Failed: '.implode(' ', $command)."\n");
        exit(1);
    }

    return $output;
};
$median = static fn (string $lines): float => (float) (json_decode(trim($lines), true)['median_s'] ?? NAN);
$run([$program, $script, '--write', $folder]);
$ours = [PHP_BINARY, '-d', 'memory_limit=2G', '-d', 'opcache.enable_cli=1', '-d', 'opcache.jit=1054', '-d', 'opcache.jit_buffer_size=128M',
    __DIR__.'/bench-core.php', '--data', $folder];
foreach (TASKS as $task) {
    $best = ['core' => INF, 'other' => INF];
    for ($round = 0; $round < ROUNDS; $round++) {
        $best['core'] = min($best['core'], $median($run([...$ours, '--only', $task])));
        $best['other'] = min($best['other'], $median($run([$program, $script, '--only', $task])));
    }
    echo json_encode(['task' => $task, 'core_s' => $best['core'], 'other_s' => $best['other'],
        'ratio' => round($best['core'] / $best['other'], 3)]), "\n";
}
array_map(unlink(...), glob("{$folder}/*") ?: []);
rmdir($folder);
