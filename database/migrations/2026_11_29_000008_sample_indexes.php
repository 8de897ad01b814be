<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** What is known of all segments of a channel stands in one row, so that a long run is asked for as fast as a short one. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('sample_indexes', function (Blueprint $table): void {
            $table->foreignId('run_channel_id')->primary()->constrained()->cascadeOnDelete();
        });
        DB::statement("ALTER TABLE sample_indexes ADD heads MEDIUMBLOB NOT NULL COMMENT 'ten float64 a segment, little-endian: first number, t0, t1, dt or not a number, moments of all its samples'");
        foreach (DB::table('sample_segments')->distinct()->pluck('run_channel_id') as $channel) {
            $heads = DB::table('sample_segments')->where('run_channel_id', $channel)->orderBy('first_seq')->get(['first_seq', 't0', 't1', 'dt', 'whole'])
                ->map(static fn (stdClass $s): string => pack('e4', $s->first_seq, $s->t0, $s->t1, $s->dt ?? NAN).$s->whole);
            DB::table('sample_indexes')->insert(['run_channel_id' => $channel, 'heads' => $heads->implode('')]);
        }
        Schema::table('sample_segments', fn (Blueprint $table) => $table->dropColumn('whole'));
    }

    public function down(): void
    {
        DB::statement("ALTER TABLE sample_segments ADD whole VARBINARY(48) NOT NULL COMMENT 'moments of all samples' AFTER dt");
        DB::statement('UPDATE sample_segments SET whole = RIGHT(moments, 48)');
        Schema::dropIfExists('sample_indexes');
    }
};
