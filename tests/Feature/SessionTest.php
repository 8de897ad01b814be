<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Auth\EmailAddress;
use App\Http\PasswordCheck;
use App\Models\User;
use GuzzleHttp\Cookie\CookieJar;
use Illuminate\Contracts\Cache\Repository;
use Illuminate\Hashing\BcryptHasher;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Symfony\Component\HttpFoundation\Cookie;
use Tests\Support\Browsing;
use Tests\TestCase;

final class SessionTest extends TestCase
{
    use Browsing;

    public function test_signs_in_says_who_is_there_and_signs_out(): void
    {
        $teacher = $this->teacher();

        $this->getJson('/api/session')->assertOk()->assertExactJson(['user' => null]);
        $this->postJson('/api/session', ['email' => $teacher->email, 'password' => 'a long password'])
            ->assertCreated()->assertJsonPath('user.name', 'Test teacher');
        $this->getJson('/api/session')->assertJsonPath('user.email', $teacher->email);
        $this->deleteJson('/api/session')->assertNoContent();
        $this->getJson('/api/experiments')->assertUnauthorized();
    }

    public function test_a_wrong_password_is_told_without_saying_which_part_is_wrong(): void
    {
        $teacher = $this->teacher();
        $sentence = 'This address and password do not belong together. Check both and try again.';

        $this->postJson('/api/session', ['email' => $teacher->email, 'password' => 'guessed'])->assertUnprocessable()->assertJsonPath('detail', $sentence);
        $this->postJson('/api/session', ['email' => 'nobody@larkfield.example', 'password' => 'guessed'])->assertJsonPath('detail', $sentence);
        $this->postJson('/api/session', ['email' => 'no address', 'password' => ''])
            ->assertJsonPath('errors.email.0', 'This is not an e-mail address; it needs a name, an @ and a place.');
    }

    public function test_the_eleventh_try_within_a_minute_is_refused(): void
    {
        $email = bin2hex(random_bytes(6)).'@larkfield.example';
        for ($i = 0; $i < 10; $i++) {
            $this->postJson('/api/session', ['email' => $email, 'password' => 'guess'])->assertUnprocessable();
        }

        $this->postJson('/api/session', ['email' => $email, 'password' => 'guess'])->assertTooManyRequests()
            ->assertJsonPath('detail', 'That was a lot of requests. Wait a minute and try again.');
    }

    public function test_an_address_is_one_however_it_is_written_and_another_letter_is_another_address(): void
    {
        $teacher = $this->teacher();
        $try = fn (string $email, string $password = 'a long password') => $this->postJson('/api/session', ['email' => $email, 'password' => $password]);
        $try(mb_strtoupper($teacher->email))->assertCreated();
        $this->deleteJson('/api/session')->assertNoContent();
        $wide = preg_replace_callback('/[a-z]/', static fn (array $m): string => mb_chr(mb_ord($m[0]) + 0xFEE0), $teacher->email, limit: 1);
        self::assertNotSame($teacher->email, $wide);
        self::assertSame($teacher->email, EmailAddress::normalised((string) $wide));
        self::assertSame('straße@larkfield.example', EmailAddress::normalised(" Straße@LARKFIELD.example\t"));

        // MariaDB alone would take ë for e; then each spelling would have ten tries of its own.
        $other = User::query()->create(['name' => 'E', 'email' => 'e'.$teacher->email, 'password' => 'another password']);
        $try('ë'.$teacher->email, 'another password')->assertUnprocessable();
        $try($other->email, 'another password')->assertCreated();
    }

    public function test_every_spelling_of_an_address_counts_as_the_same_address(): void
    {
        $name = 'x'.bin2hex(random_bytes(6));
        $statuses = [];
        foreach (range(0, 11) as $i) {
            $email = match ($i % 3) {
                0 => $name, 1 => mb_strtoupper($name), default => mb_chr(mb_ord('x') + 0xFEE0).substr($name, 1)
            };
            $statuses[] = $this->postJson('/api/session', ['email' => "{$email}@larkfield.example", 'password' => 'guess'])->status();
        }

        self::assertSame([...array_fill(0, 10, 422), 429, 429], $statuses);
    }

    public function test_one_place_may_try_many_addresses_but_not_for_ever(): void
    {
        $statuses = [];
        for ($i = 0; $i < 61; $i++) {
            $statuses[] = $this->withServerVariables(['REMOTE_ADDR' => '10.9.8.7'])->postJson('/api/session', ['email' => bin2hex(random_bytes(6)).'@larkfield.example', 'password' => 'guess'])->status();
        }

        self::assertSame([422 => 60, 429 => 1], array_count_values($statuses));
    }

    public function test_an_address_nobody_has_takes_as_much_work_as_one_somebody_has(): void
    {
        $teacher = $this->teacher();
        // As outside of tests, where no hash is cheap.
        DB::table('users')->where('id', $teacher->id)->update(['password' => password_hash('a long password', PASSWORD_BCRYPT, ['cost' => 12])]);
        $hasher = new class extends BcryptHasher
        {
            /** @var list<int> cost of each hash that was checked */
            public array $costs = [];

            public function check(#[\SensitiveParameter] $value, $hashedValue, array $options = [])
            {
                $this->costs[] = (int) (password_get_info($hashedValue)['options']['cost'] ?? 0);

                return parent::check($value, $hashedValue, $options);
            }
        };
        $check = new PasswordCheck($hasher, app(Repository::class));

        self::assertNull($check->userOf($teacher->email, 'guess'));
        self::assertNull($check->userOf('nobody@larkfield.example', 'guess'));
        self::assertSame($teacher->id, $check->userOf($teacher->email, 'a long password')?->id);
        self::assertSame([$hasher->costs[0], $hasher->costs[0], $hasher->costs[0]], $hasher->costs);
        self::assertGreaterThanOrEqual(10, $hasher->costs[0]);
    }

    public function test_staying_signed_in_is_a_choice(): void
    {
        $teacher = $this->teacher();
        $cookie = function (bool $stay) use ($teacher): ?Cookie {
            $answer = $this->postJson('/api/session', ['email' => $teacher->email, 'password' => 'a long password', 'stay' => $stay])->assertCreated();
            $this->deleteJson('/api/session')->assertNoContent();

            return $answer->getCookie(config()->string('session.cookie'), false);
        };
        self::assertSame(0, $cookie(false)?->getExpiresTime(), 'It ends with the browser.');
        self::assertEqualsWithDelta(time() + 30 * 86400, $cookie(true)?->getExpiresTime(), 60.0);
    }

    public function test_half_a_day_without_a_word_ends_a_session_unless_one_chose_to_stay(): void
    {
        foreach ([[false, 401], [true, 200]] as [$stays, $status]) {
            $browser = $this->signedIn($teacher = $this->teacher(), stay: $stays);
            $this->ageSessionsOf($teacher, 13 * 3600);
            self::assertSame($status, $browser->get('/api/experiments')->getStatusCode());
        }
    }

    public function test_one_sees_where_one_is_signed_in_and_can_end_it_there(): void
    {
        $teacher = $this->teacher();
        $here = $this->signedIn($teacher);
        $there = $this->signedIn($teacher, agent: 'Mozilla/5.0 (Linux; Android 14) Mobile');
        $list = static fn (): array => json_decode((string) $here->get('/api/sign-ins')->getBody(), true);
        self::assertSame(200, $there->get('/api/experiments')->getStatusCode());
        $signIns = array_column($list(), null, 'device');
        self::assertSame([true, false], [$signIns['computer']['isThis'], $signIns['phone or tablet']['isThis']]);
        self::assertSame('127.0.0.1', $signIns['computer']['address']);

        self::assertSame(204, $here->delete("/api/sign-ins/{$signIns['phone or tablet']['id']}")->getStatusCode());
        self::assertSame(401, $there->get('/api/experiments')->getStatusCode());
        self::assertSame(200, $here->get('/api/experiments')->getStatusCode());
        $third = $this->signedIn($teacher);
        self::assertCount(2, $list());
        self::assertSame(204, $here->delete('/api/sign-ins')->getStatusCode());
        self::assertSame(401, $third->get('/api/experiments')->getStatusCode());
        self::assertSame([true], array_column($list(), 'isThis'));
    }

    public function test_a_request_without_its_token_is_refused_by_the_running_server(): void
    {
        $response = Http::asJson()->acceptJson()
            ->post(config()->string('app.url').'/api/session', ['email' => 'a@b.example', 'password' => 'x']);

        self::assertSame([419, 'page-expired'], [$response->status(), $response->json('code')]);
    }

    public function test_live_values_are_for_their_teacher_alone(): void
    {
        [$teacher, $stranger] = [$this->teacher(), $this->teacher()];
        $bench = $this->benchOf($teacher);
        $ask = fn (string $channel) => $this->get('/api/live/authorize', ['X-Live-Channel' => $channel])->status();

        self::assertSame(403, $ask("bench-{$bench->id}"));
        $this->actingAs($stranger);
        self::assertSame(403, $ask("bench-{$bench->id}"));
        $this->actingAs($teacher);
        self::assertSame(204, $ask("bench-{$bench->id}"));
        self::assertSame(403, $ask('bench-999999999'));
        self::assertSame(403, $ask('users-1'));
    }

    public function test_no_way_of_writing_a_channel_leads_to_the_bench_of_another(): void
    {
        $teacher = $this->teacher();
        [$mine, $theirs] = [$this->benchOf($teacher), $this->benchOf($this->teacher())];
        $address = (string) parse_url(config()->string('app.url'), PHP_URL_HOST).':'.parse_url(config()->string('app.url'), PHP_URL_PORT);
        $this->signedIn($teacher, cookies: $cookies = new CookieJar);
        $cookie = implode('; ', array_map(static fn ($c): string => "{$c->getName()}={$c->getValue()}", iterator_to_array($cookies)));
        // Byte by byte as written: a client library would tidy the address up.
        $status = static function (string $path) use ($address, $cookie): int {
            $socket = stream_socket_client("tcp://{$address}");
            self::assertIsResource($socket);
            stream_set_timeout($socket, 5);
            fwrite($socket, "GET {$path} HTTP/1.1\r\nHost: {$address}\r\nAccept: text/event-stream\r\nCookie: {$cookie}\r\nConnection: close\r\n\r\n");

            return (int) substr((string) fgets($socket), 9, 3);
        };
        self::assertSame(200, $status("/live/bench-{$mine->id}"));
        self::assertSame(403, $status("/live/bench-{$theirs->id}"));
        self::assertSame(403, $status("/live/bench-{$mine->id},bench-{$theirs->id}"));
        foreach ([
            "/live/bench-{$mine->id}%2cbench-{$theirs->id}", "/live/bench-{$mine->id}%2Cbench-{$theirs->id}", "/live/bench-{$mine->id}/../bench-{$theirs->id}",
            "/live/bench-{$mine->id}%2f..%2fbench-{$theirs->id}", "/live/bench-{$mine->id}/%2e%2e/bench-{$theirs->id}", "//live/bench-{$theirs->id}",
            "/live//bench-{$theirs->id}", "/live/bench-{$mine->id}%00,bench-{$theirs->id}", "/live/%62ench-{$theirs->id}", "/live/bench-{$mine->id}?,bench-{$theirs->id}",
            "/live/bench-{$mine->id};bench-{$theirs->id}", "/live/bench-0{$theirs->id}", "/live/bench-{$theirs->id}#bench-{$mine->id}", "/live/bench-{$mine->id}%0abench-{$theirs->id}",
            "/live/bench-{$mine->id},", "/LIVE/bench-{$theirs->id}", '/authorize-live',
        ] as $path) {
            // Without a subscription: refused, or the page of an address that means nothing.
            $answer = $status($path);
            self::assertTrue(in_array($answer, [400, 403, 404], true) || ($answer === 200 && ! $this->streams($address, $path, $cookie)), "{$path}: {$answer}");
        }
    }

    public function test_everything_the_web_server_sends_has_its_headers_and_nothing_of_the_workshop_is_sent(): void
    {
        $url = config()->string('app.url');
        $built = '/build/'.json_decode((string) file_get_contents(public_path('build/manifest.json')), true)['resources/js/main.tsx']['file'];
        foreach (['/', '/sign-in', $built, '/mark.svg', '/api/session', '/api/none', '/build/none.js', '/up'] as $path) {
            $headers = Http::get($url.$path)->headers();
            foreach (['X-Content-Type-Options', 'X-Frame-Options', 'Referrer-Policy', 'Content-Security-Policy', 'Cross-Origin-Resource-Policy', 'Permissions-Policy'] as $name) {
                self::assertArrayHasKey($name, $headers, "{$path} without {$name}");
            }
            self::assertArrayNotHasKey('X-Powered-By', $headers);
            self::assertSame('nginx', $headers['Server'][0]);
        }
        foreach (['/build/.made-from', '/.env', '/.git/config', '/build/../.env'] as $path) {
            self::assertSame(404, Http::get($url.$path)->status(), $path);
        }
    }

    public function test_nothing_of_a_copy_listens_on_a_port_but_what_must_and_its_folder_is_private(): void
    {
        $sockets = config()->string('welkion.sockets');
        self::assertSame(0700, fileperms($sockets) & 0777);
        foreach (['php-fpm.sock', 'recorder.sock', 'publish.sock', 'mariadb.sock'] as $name) {
            self::assertSame('socket', filetype("{$sockets}/{$name}"), $name);
        }
        $base = (int) parse_url(config()->string('app.url'), PHP_URL_PORT);
        $open = array_filter(range($base, $base + 9), static fn (int $port): bool => @fsockopen('127.0.0.1', $port, timeout: 0.2) !== false);
        self::assertSame([$base, $base + 1, $base + 2], array_values($open), 'Web, database, simulated benches.');
    }

    public function test_the_web_server_turns_a_stranger_away_and_believes_no_channel_a_browser_names(): void
    {
        $bench = $this->benchOf($this->teacher());
        $url = config()->string('app.url');

        self::assertSame(403, Http::accept('text/event-stream')->get("{$url}/live/bench-{$bench->id}")->status());
        self::assertSame(403, Http::withHeaders(['X-Live-Channel' => "bench-{$bench->id}"])->get("{$url}/api/live/authorize")->status());
        self::assertStringContainsString('id="app"', Http::get("{$url}/publish/bench-{$bench->id}")->body(), 'Publishing is not reached from outside.');
    }

    public function test_a_session_is_written_when_it_is_another_or_once_a_minute_and_not_with_each_request(): void
    {
        $browser = $this->signedIn($teacher = $this->teacher(), stay: true);
        // Encrypted anew it is another text each time it is written.
        $written = static fn (): string => (string) DB::table('sessions')->where('user_id', $teacher->id)->value('payload');
        $isWritten = static function (string $path) use ($browser, $written): bool {
            $before = $written();
            self::assertSame(200, $browser->get($path)->getStatusCode());

            return $written() !== $before;
        };

        self::assertFalse($isWritten('/api/experiments'));
        self::assertFalse($isWritten('/api/shelf'));
        $this->ageSessionsOf($teacher, 50);
        self::assertFalse($isWritten('/api/experiments'));
        $this->ageSessionsOf($teacher, 11);
        self::assertTrue($isWritten('/api/experiments'));
        self::assertEqualsWithDelta(time(), DB::table('sessions')->where('user_id', $teacher->id)->value('last_activity'), 5.0);
        self::assertFalse($isWritten('/api/experiments'));
    }

    private function streams(string $address, string $path, string $cookie): bool
    {
        $socket = stream_socket_client("tcp://{$address}");
        self::assertIsResource($socket);
        stream_set_timeout($socket, 3);
        fwrite($socket, "GET {$path} HTTP/1.1\r\nHost: {$address}\r\nAccept: text/event-stream\r\nCookie: {$cookie}\r\nConnection: close\r\n\r\n");

        return str_contains((string) stream_get_contents($socket, 2000), 'text/event-stream');
    }

    /** As if that much time had passed since each was used last. */
    private function ageSessionsOf(User $teacher, int $seconds): void
    {
        $rows = DB::table('sessions')->where('user_id', $teacher->id)->get();
        self::assertCount(1, $rows);
        foreach ($rows as $row) {
            $session = unserialize(Crypt::decrypt((string) base64_decode((string) $row->payload)));
            $session['seen_at'] -= $seconds;
            DB::table('sessions')->where('id', $row->id)->update(['payload' => base64_encode(Crypt::encrypt(serialize($session))), 'last_activity' => time() - $seconds]);
        }
    }
}
