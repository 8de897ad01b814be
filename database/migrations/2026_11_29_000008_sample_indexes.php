<?php

declare(strict_types=1);

use App\Samples\SegmentIndex;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Welkion\Core\Samples\Moments;
use Welkion\Core\Samples\Packed;
use Welkion\Core\Samples\SegmentHead;

/**
 * A long run is asked for as fast as a short one: what is known of all segments of a channel stands in one row, and the samples
 * of a segment in several columns, of which the one that is asked for is read.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('sample_indexes', function (Blueprint $table): void {
            $table->foreignId('run_channel_id')->primary()->constrained()->cascadeOnDelete();
        });
        DB::statement("ALTER TABLE sample_indexes ADD heads MEDIUMBLOB NOT NULL COMMENT 'ten float64 a segment, little-endian: first number, t0, t1, dt or not a number, moments of all its samples; after sixteen, the same of them together'");
        foreach (DB::table('sample_segments')->distinct()->pluck('run_channel_id') as $channel) {
            $heads = DB::table('sample_segments')->where('run_channel_id', $channel)->orderBy('first_seq')->get(['first_seq', 't0', 't1', 'dt', 'whole'])
                ->map(static function (stdClass $s): SegmentHead {
                    $moments = Moments::at(Packed::numbers((string) $s->whole), 0);

                    return new SegmentHead((int) $s->first_seq, $moments->count, (float) $s->t0, (float) $s->t1, $s->dt === null ? null : (float) $s->dt, $moments);
                });
            SegmentIndex::ofHeads(array_values($heads->all()))->write((int) $channel, DB::connection());
        }
        foreach (range(0, 7) as $i) {
            DB::statement("ALTER TABLE sample_segments ADD values_{$i} MEDIUMBLOB NOT NULL COMMENT 'raw unit, at most 8192 float64'");
            DB::statement("UPDATE sample_segments SET values_{$i} = SUBSTRING(payload, ?, 65536)", [1 + 65536 * $i]);
        }
        Schema::table('sample_segments', fn (Blueprint $table) => $table->dropColumn(['whole', 'payload']));
    }

    public function down(): void
    {
        DB::statement("ALTER TABLE sample_segments ADD whole VARBINARY(48) NOT NULL COMMENT 'moments of all samples' AFTER dt");
        DB::statement("ALTER TABLE sample_segments ADD payload MEDIUMBLOB NOT NULL COMMENT 'raw unit'");
        $values = array_map(static fn (int $i): string => "values_{$i}", range(0, 7));
        DB::statement('UPDATE sample_segments SET whole = RIGHT(moments, 48), payload = CONCAT('.implode(', ', $values).')');
        Schema::table('sample_segments', fn (Blueprint $table) => $table->dropColumn($values));
        Schema::dropIfExists('sample_indexes');
    }
};
