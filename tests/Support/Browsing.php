<?php

declare(strict_types=1);

namespace Tests\Support;

use App\Models\User;
use GuzzleHttp\Client;
use GuzzleHttp\Cookie\CookieJar;

/** What a browser does, through the running web server: signs in, keeps its session. */
trait Browsing
{
    protected function signedIn(User $teacher, string $password = 'a long password', bool $stay = false, string $agent = 'Test', ?CookieJar $cookies = null): Client
    {
        $jar = $cookies ?? new CookieJar;
        $options = ['base_uri' => config()->string('app.url'), 'cookies' => $jar, 'timeout' => 20, 'http_errors' => false];
        $client = new Client($options + ['headers' => ['User-Agent' => $agent]]);
        $client->get('/api/session');
        $token = static fn (): array => ['X-XSRF-TOKEN' => urldecode((string) $jar->getCookieByName('XSRF-TOKEN')?->getValue()), 'Accept' => 'application/json'];
        $answer = $client->post('/api/session', ['json' => ['email' => $teacher->email, 'password' => $password, 'stay' => $stay], 'headers' => $token()]);
        self::assertSame(201, $answer->getStatusCode());

        return new Client(['headers' => $token() + ['User-Agent' => $agent]] + $options);
    }
}
