<?php

declare(strict_types=1);

namespace Tests\Unit\Http;

use App\Auth\EmailAddress;
use App\Http\Middleware\NameTheInfinite;
use App\Http\Rules\Within;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What is typed, as it is looked at first. */
final class WithinTest extends TestCase
{
    /** @return iterable<string, array{mixed, bool}> */
    public static function typed(): iterable
    {
        yield 'the least' => [1, true];
        yield 'the most' => [200.0, true];
        yield 'as a text' => ['29.5', true];
        yield 'with a power' => ['2e1', true];
        yield 'too little' => [0.999, false];
        yield 'too much' => ['200.01', false];
        yield 'almost nothing' => [5e-324, false];
        yield 'beyond all measure' => [INF, false];
        yield 'beyond all measure, as a text' => ['1e999', false];
        yield 'no number' => [NAN, false];
        yield 'a word' => ['wide', false];
        yield 'a list' => [[29], false];
        yield 'yes' => [true, false];
        yield 'nothing' => [null, false];
    }

    #[DataProvider('typed')]
    public function test_a_number_holds_between_its_bounds(mixed $value, bool $holds): void
    {
        $rule = Within::of('The bore', 1, 200, 'mm');

        self::assertSame($holds, $rule->holds($value));
        $said = [];
        $rule->validate('settings.boreMm', $value, static function (string $sentence) use (&$said): void {
            $said[] = $sentence;
        });
        self::assertSame($holds ? [] : ['The bore must be a number from 1 to 200 mm.'], $said);
    }

    public function test_the_sentence_has_unit_hint_and_the_number_of_a_row_as_people_count(): void
    {
        self::assertSame('The ± must be a number from 0 to 1e9.', Within::of('The ±', 0, 1e9)->sentence());
        self::assertSame('The volume must be a number from 0 to 100 mL, like 9.75.', Within::of('The volume', 0, 100, 'mL', ', like 9.75')->sentence());
        $said = '';
        Within::of('The value of standard {number}', 0, 14, 'pH')->validate('standards.2.value', 15, static function (string $sentence) use (&$said): void {
            $said = $sentence;
        });
        self::assertSame('The value of standard 3 must be a number from 0 to 14 pH.', $said);
    }

    public function test_infinite_numbers_of_a_request_become_texts_wherever_they_stand(): void
    {
        $request = Request::create('/', 'POST', server: ['CONTENT_TYPE' => 'application/json'], content: '{"a":1e999,"b":[{"c":-1e999}],"d":1e308,"e":"x"}');
        (new NameTheInfinite)->handle($request, static fn (): Response => new Response);

        self::assertSame(['a' => '∞', 'b' => [['c' => '−∞']], 'd' => 1e308, 'e' => 'x'], $request->all());
    }

    public function test_an_address_has_one_form(): void
    {
        foreach (['Iris@Larkfield.example', " iris@larkfield.EXAMPLE\n", "\u{FF29}ris@larkfield.example", 'ıris@larkfield.example'] as $i => $typed) {
            self::assertSame($i < 3, EmailAddress::normalised($typed) === 'iris@larkfield.example', $typed);
        }
        self::assertSame('?@x', EmailAddress::normalised("\xC3@x"));
    }
}
