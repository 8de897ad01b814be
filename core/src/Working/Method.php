<?php

declare(strict_types=1);

namespace Welkion\Core\Working;

use Welkion\Core\Exception\CoreException;

/**
 * One way to get a result out of columns, numbers and other lines. What it needs and gives it declares as data, so that whoever
 * asks for inputs or shows outcomes knows none by name.
 */
interface Method
{
    public function declaration(): Declaration;

    /**
     * @param  Inputs  $inputs  all that the declaration requires
     *
     * @throws CoreException If there is no answer in these inputs.
     */
    public function work(Inputs $inputs): Outcome;
}
