<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * Raw samples of one channel of a run, written once and never changed.
 *
 * @property int $run_channel_id
 * @property int $first_seq
 * @property int $count
 */
final class SampleBlock extends Model
{
    public $timestamps = false;

    protected $guarded = [];
}
