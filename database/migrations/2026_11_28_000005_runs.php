<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Runs, what was recorded in them, and what is set aside. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('runs', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('experiment_id')->constrained()->cascadeOnDelete();
            $table->foreignId('bench_id')->nullable()->comment('none for a typed run')->constrained()->nullOnDelete();
            $table->uuid('request_key')->nullable()->comment('made by the screen, so that a repeated request begins one run');
            $table->string('kind', 12)->comment('stepwise, timed or typed');
            $table->unsignedInteger('number');
            $table->string('name', 120)->default('');
            $table->string('condition', 120)->nullable();
            $table->unsignedSmallInteger('trial')->nullable();
            $table->string('aside', 200)->nullable()->comment('why it does not count among the runs');
            $table->json('plan')->nullable()->comment('{ranges: [{from, to, step}]} or {steps: [...]}');
            $table->string('state', 12)->default('open')->comment('open or finished');
            $table->unsignedInteger('data_revision')->default(0)->comment('another one whenever its rows are others');
            $table->dateTime('started_at', 3);
            $table->dateTime('finished_at', 3)->nullable();
            $table->dateTime('looked_at', 3)->nullable()->comment('when somebody last had it on a screen');
            $table->dateTime('thrown_away_at', 3)->nullable();
            $table->timestamps(3);
            $table->unique(['experiment_id', 'number']);
            $table->unique(['experiment_id', 'request_key']);
            $table->index(['state', 'bench_id']);
        });
        Schema::create('entry_values', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('entry_id')->constrained()->cascadeOnDelete();
            $table->foreignId('run_id')->constrained()->cascadeOnDelete();
            $table->double('value')->nullable();
            $table->double('uncertainty')->default(0.0);
            $table->unique(['entry_id', 'run_id']);
        });
        Schema::create('run_channels', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('run_id')->constrained()->cascadeOnDelete();
            $table->foreignId('probe_id')->constrained();
            $table->foreignId('calibration_id')->nullable()->constrained();
            $table->foreignId('zero_id')->nullable()->constrained();
            $table->string('role', 40)->nullable()->comment('what it is for in the experiment');
            $table->unique(['run_id', 'probe_id']);
        });
        Schema::create('reworkings', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('run_channel_id')->constrained()->cascadeOnDelete();
            $table->foreignId('calibration_id')->constrained();
            $table->foreignId('user_id')->constrained();
            $table->boolean('is_in_force')->default(false)->comment('whether results are worked out with it');
            $table->timestamps(3);
            $table->unique(['run_channel_id', 'calibration_id']);
        });
        Schema::create('sample_blocks', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('run_channel_id')->constrained()->cascadeOnDelete();
            $table->unsignedBigInteger('first_seq');
            $table->unsignedInteger('count');
            $table->double('t0')->comment('clock of the bench, s');
            $table->double('dt')->nullable()->comment('s between samples; null when times are kept');
            $table->binary('times')->nullable()->comment('float64 little-endian, s after t0');
            $table->binary('payload')->comment('float64 little-endian, raw unit');
            $table->unique(['run_channel_id', 'first_seq']);
        });
        Schema::create('sample_segments', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('run_channel_id')->constrained()->cascadeOnDelete();
            $table->unsignedBigInteger('first_seq');
            $table->unsignedInteger('count')->comment('at most 65536');
            $table->double('t0')->comment('clock of the bench at the first sample, s');
            $table->double('t1')->comment('at the last');
            $table->double('dt')->nullable()->comment('s between samples; null when offsets are kept');
            $table->unique(['run_channel_id', 'first_seq']);
        });
        // Laravel knows no binary column for more than 64 kB. All hold float64, little-endian. What a picture of a whole run needs
        // is small and kept apart, because the database reads a long column to its end.
        DB::statement("ALTER TABLE sample_segments ADD whole VARBINARY(48) NOT NULL COMMENT 'moments of all samples',"
            ." ADD outline VARBINARY(6000) NOT NULL COMMENT 'smallest and largest of 256, 1024 ... 65536 samples',"
            ." ADD envelope MEDIUMBLOB NOT NULL COMMENT 'the same of 16 and of 64 samples', ADD moments MEDIUMBLOB NOT NULL COMMENT 'of 256, of 4096 and of all samples',"
            ." ADD offsets MEDIUMBLOB NULL COMMENT 's after t0', ADD payload MEDIUMBLOB NOT NULL COMMENT 'raw unit', ADD INDEX (run_channel_id, t0)");
        Schema::create('readings', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('run_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('row')->comment('counts the readings of the run as they were taken');
            $table->uuid('request_key')->comment('made by the screen, so that a repeated request stores one reading');
            $table->double('step')->nullable();
            $table->string('step_words', 60)->nullable();
            $table->double('taken_at')->nullable()->comment('clock of the bench, s');
            $table->boolean('was_steady')->default(true);
            $table->foreignId('replaced_by_id')->nullable();
            $table->dateTime('deleted_at', 3)->nullable();
            $table->timestamps(3);
            $table->unique(['run_id', 'request_key']);
            $table->unique(['run_id', 'row']);
        });
        Schema::create('cells', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('reading_id')->constrained()->cascadeOnDelete();
            $table->foreignId('run_channel_id')->constrained()->cascadeOnDelete();
            $table->double('mean')->comment('raw unit');
            $table->double('scatter')->comment('standard deviation of the samples, raw unit');
            $table->unsignedInteger('sample_count');
            $table->unique(['reading_id', 'run_channel_id']);
        });
        Schema::create('set_asides', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('run_id')->constrained()->cascadeOnDelete();
            $table->foreignId('column_id')->nullable()->comment('null: of all columns')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('first_row');
            $table->unsignedInteger('last_row');
            $table->string('reason', 200);
        });
    }

    public function down(): void
    {
        foreach (['set_asides', 'cells', 'readings', 'sample_segments', 'sample_blocks', 'reworkings', 'run_channels', 'entry_values', 'runs'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
