<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Support\Facades\Http;
use Tests\TestCase;

final class SessionTest extends TestCase
{
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

    public function test_the_web_server_turns_a_stranger_away_and_believes_no_channel_a_browser_names(): void
    {
        $bench = $this->benchOf($this->teacher());
        $url = config()->string('app.url');

        self::assertSame(403, Http::accept('text/event-stream')->get("{$url}/live/bench-{$bench->id}")->status());
        self::assertSame(403, Http::withHeaders(['X-Live-Channel' => "bench-{$bench->id}"])->get("{$url}/api/live/authorize")->status());
        self::assertStringContainsString('id="app"', Http::get("{$url}/publish/bench-{$bench->id}")->body(), 'Publishing is not reached from outside.');
    }
}
