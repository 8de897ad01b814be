<?php

declare(strict_types=1);

namespace Welkion\Core\Working;

/** A method whose outcomes depend on what it is given: it says what each of them is. */
interface NamesItsOutcomes
{
    /**
     * @param  array<string, string>  $texts  what it is given, by slot
     * @return array<string, string> words by name; what is not among them is called by its name
     */
    public function outcomeWords(array $texts): array;
}
