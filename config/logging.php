<?php

declare(strict_types=1);

use App\Logging\RepeatsCounted;

return [
    'channels' => [
        // For processes under the supervisor, which keeps what they say and turns it over when it is long.
        'stderr' => [
            'driver' => 'monolog',
            'level' => env('LOG_LEVEL', 'warning'),
            'handler' => Monolog\Handler\StreamHandler::class,
            'handler_with' => ['stream' => 'php://stderr'],
            'tap' => [RepeatsCounted::class],
        ],
        'single' => [
            'driver' => 'single',
            'path' => storage_path('logs/laravel.log'),
            'level' => env('LOG_LEVEL', 'warning'),
            'tap' => [RepeatsCounted::class],
        ],
    ],
];
