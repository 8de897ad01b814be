<?php

declare(strict_types=1);

$mariadb = [
    'driver' => 'mariadb',
    'host' => env('DB_HOST', '127.0.0.1'),
    'port' => env('DB_PORT', '8421'),
    // Set where the application is started: a socket answers sooner than a port.
    'unix_socket' => env('DB_SOCKET', ''),
    'database' => env('DB_DATABASE', 'welkion'),
    'username' => env('DB_USERNAME', 'welkion'),
    'password' => env('DB_PASSWORD', ''),
    'charset' => 'utf8mb4',
    'collation' => 'utf8mb4_unicode_ci',
    'prefix' => '',
    'strict' => true,
    // Each question makes its way once, not twice; a text that holds several is refused as before.
    // Seconds to connect within; how long an answer may take is set where PHP is started (mysqlnd.net_read_timeout).
    'options' => [PDO::ATTR_TIMEOUT => 2, PDO::ATTR_EMULATE_PREPARES => true, PDO::MYSQL_ATTR_MULTI_STATEMENTS => false],
];

return [
    'connections' => [
        'mariadb' => $mariadb,
        // The same, to read as of one moment while the other one makes a change (Storage\OneMoment).
        'moment' => $mariadb,
    ],
];
