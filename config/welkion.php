<?php

declare(strict_types=1);

return [
    'recorder' => [
        'port' => (int) env('WELKION_RECORDER_PORT', 8423),
        'token' => (string) env('WELKION_RECORDER_TOKEN', ''),
    ],
    'live' => [
        'publish_port' => (int) env('WELKION_PUBLISH_PORT', 8425),
    ],
    'benches' => [
        'port' => (int) env('WELKION_BENCH_PORT', 8424),
    ],
    'demo_password' => (string) env('WELKION_DEMO_PASSWORD', 'sour-whey-2026'),
];
