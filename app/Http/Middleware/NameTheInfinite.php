<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Foundation\Http\Middleware\TransformsRequest;

/**
 * JSON can hold 1e999, which is read as an infinite number that many rules cannot deal with. As a text it is refused like
 * any other text in place of a number, with the sentence of its field.
 */
final class NameTheInfinite extends TransformsRequest
{
    protected function transform($key, $value): mixed
    {
        return is_float($value) && ! is_finite($value) ? ($value > 0.0 ? '∞' : '−∞') : $value;
    }
}
