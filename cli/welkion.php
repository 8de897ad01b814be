<?php

declare(strict_types=1);

use Welkion\Cli\Application;

// Nothing but the core is needed, so a fresh checkout can compute before anything is installed.
spl_autoload_register(static function (string $class): void {
    foreach (['Welkion\\Core\\' => '/../core/src/', 'Welkion\\Cli\\' => '/src/'] as $prefix => $folder) {
        $file = __DIR__.$folder.str_replace('\\', '/', substr($class, strlen($prefix))).'.php';
        if (str_starts_with($class, $prefix) && is_file($file)) {
            require $file;
        }
    }
});
ini_set('serialize_precision', '-1');

exit((new Application)->run(array_slice($_SERVER['argv'], 1), STDIN, STDOUT, STDERR));
