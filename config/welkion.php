<?php

declare(strict_types=1);

return [
    // Folder of the sockets over which the processes of this copy speak; only its account may enter.
    'sockets' => (string) env('WELKION_SOCKETS', ''),
    'recorder' => [
        'token' => (string) env('WELKION_RECORDER_TOKEN', ''),
    ],
    'benches' => [
        'port' => (int) env('WELKION_BENCH_PORT', 8422),
    ],
    'demo_password' => (string) env('WELKION_DEMO_PASSWORD', 'sour-whey-2026'),
];
