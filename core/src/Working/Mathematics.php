<?php

declare(strict_types=1);

namespace Welkion\Core\Working;

use Welkion\Core\Uncertainty\Digits;
use Welkion\Core\Uncertainty\Measured;

/** A small tree of mathematics, from which screens make what is typeset and what is spoken. */
final readonly class Mathematics
{
    /**
     * @param  string  $kind  symbol, number, words, equals, plus, minus, times, over, power, negative, call, derivative, integral, at
     * @param  string  $text  name of a symbol or a function, digits of a number, order of a derivative
     * @param  string  $unit  of a number
     * @param  list<self>  $parts
     */
    private function __construct(public string $kind, public string $text = '', public string $unit = '', public array $parts = [])
    {
    }

    public static function symbol(string $name): self
    {
        return new self('symbol', $name);
    }

    public static function words(string $text): self
    {
        return new self('words', $text);
    }

    public static function number(string $digits, string $unit = ''): self
    {
        return new self('number', $digits, $unit);
    }

    /** A value with the digits its uncertainty allows. */
    public static function value(Measured $measured): self
    {
        return new self('number', Digits::of($measured)->value, $measured->unit->symbol);
    }

    public static function equals(self $left, self $right): self
    {
        return new self('equals', parts: [$left, $right]);
    }

    public static function over(self $above, self $below): self
    {
        return new self('over', parts: [$above, $below]);
    }

    public static function plus(self $left, self $right): self
    {
        return new self('plus', parts: [$left, $right]);
    }

    public static function minus(self $left, self $right): self
    {
        return new self('minus', parts: [$left, $right]);
    }

    public static function times(self $left, self $right): self
    {
        return new self('times', parts: [$left, $right]);
    }

    public static function power(self $base, self $exponent): self
    {
        return new self('power', parts: [$base, $exponent]);
    }

    public static function negative(self $of): self
    {
        return new self('negative', parts: [$of]);
    }

    public static function call(string $name, self ...$of): self
    {
        return new self('call', $name, parts: array_values($of));
    }

    public static function derivative(int $order, self $of, self $by): self
    {
        return new self('derivative', (string) $order, parts: [$of, $by]);
    }

    public static function integral(self $of, self $by): self
    {
        return new self('integral', parts: [$of, $by]);
    }

    /** What something is where something else is: pH at V. */
    public static function at(self $what, self $where): self
    {
        return new self('at', parts: [$what, $where]);
    }

    /** What something is in something else: a result in a run. */
    public static function in(self $what, self $where): self
    {
        return new self('in', parts: [$what, $where]);
    }

    /** @return array<string, mixed> in the shape screens take */
    public function toArray(): array
    {
        return ['kind' => $this->kind]
            + ($this->text === '' ? [] : ['text' => $this->text])
            + ($this->unit === '' ? [] : ['unit' => $this->unit])
            + ($this->parts === [] ? [] : ['parts' => array_map(static fn (self $p): array => $p->toArray(), $this->parts)]);
    }
}
