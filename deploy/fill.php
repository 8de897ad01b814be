<?php

declare(strict_types=1);

// Fills the templates of every process's configuration into the folder of a copy: php deploy/fill.php TEMPLATES TARGET
// Values come from the environment: what stands on a command line, as a password would, is read by every account.

[, $templates, $target] = $argv;
foreach (glob("{$templates}/*") ?: [] as $template) {
    $filled = preg_replace_callback('/@([A-Z_]+)@/', static function (array $match) use ($template): string {
        $value = getenv("FILL_{$match[1]}");
        if ($value === false) {
            fwrite(STDERR, "{$template} asks for {$match[1]}, which is not set.\n");
            exit(1);
        }

        return $value;
    }, (string) file_get_contents($template));
    file_put_contents("{$target}/".basename($template), $filled);
}
