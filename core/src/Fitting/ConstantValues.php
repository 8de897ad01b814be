<?php

declare(strict_types=1);

namespace Welkion\Core\Fitting;

use Welkion\Core\Exception\InvalidQuantity;

/** Values of constants as a person writes them: "a = 1.5; b = 0". */
final class ConstantValues
{
    /**
     * @return array<string, float> by constant
     *
     * @throws InvalidQuantity If it cannot be read; the message says which part.
     */
    public static function parse(string $text): array
    {
        $values = [];
        foreach (explode(';', $text) as $part) {
            if (trim($part) === '') {
                continue;
            }
            [$name, $number] = array_map(trim(...), explode('=', $part, 2)) + [1 => ''];
            $number = strtr($number, [',' => '.', '−' => '-']);
            if ($name === '' || ! is_numeric($number) || ! is_finite((float) $number)) {
                throw new InvalidQuantity('"'.trim($part).'" is no value of a constant. Write it as "b = 0", several with a semicolon between them.');
            }
            $values[$name] = (float) $number;
        }

        return $values;
    }
}
