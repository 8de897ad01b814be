<?php

declare(strict_types=1);

namespace Welkion\Core\Fitting;

/** A curve with free constants, at the points of a fit. */
interface Model
{
    /**
     * Height of the curve and its slope by each constant, at every point; a number that does not exist is not finite.
     *
     * @param  list<float>  $constants
     * @return array{list<float>, list<list<float>>}
     */
    public function at(array $constants): array;

    /** The same curve at every so-manieth point. */
    public function thinned(int $every): self;
}
