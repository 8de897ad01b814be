<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Welkion\Core\Notebook\FigureDrawing;

/**
 * Which columns are drawn against which, and how.
 *
 * @property int $id
 * @property int $experiment_id
 * @property string $title
 * @property array<string, mixed> $options  of its drawing
 * @property int $position
 */
final class Figure extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    public function drawing(): FigureDrawing
    {
        return FigureDrawing::fromArray($this->options);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['options' => 'array', 'position' => 'integer'];
    }
}
