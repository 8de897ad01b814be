<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('experiments', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained();
            $table->foreignId('bench_id')->constrained();
            $table->string('title', 120);
            $table->string('protocol', 40);
            $table->text('aim')->nullable();
            $table->text('conclusion')->nullable();
            $table->string('titrant', 60)->default('NaOH');
            $table->string('sample', 60)->default('sample');
            $table->string('analyte', 60)->default('acid');
            $table->json('entries')->comment('{symbol: {value, uncertainty, unit}}');
            $table->json('plan')->comment('[{from, to, step}] in mL, for the next run');
            $table->double('span_from')->nullable()->comment('mL, where the working looks for a jump');
            $table->double('span_to')->nullable();
            $table->timestamps(3);
        });

        Schema::create('runs', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('experiment_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('number');
            $table->string('state', 12)->default('open')->comment('open or finished');
            $table->json('plan')->comment('[{from, to, step}] in mL');
            $table->dateTime('started_at', 3);
            $table->dateTime('finished_at', 3)->nullable();
            $table->timestamps(3);
            $table->unique(['experiment_id', 'number']);
            $table->index(['state']);
        });

        Schema::create('run_channels', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('run_id')->constrained()->cascadeOnDelete();
            $table->foreignId('probe_id')->constrained();
            $table->foreignId('calibration_id')->nullable()->constrained();
            $table->unique(['run_id', 'probe_id']);
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
            $table->binary('summary')->comment('min, max, first, last of each 256 samples, float64 little-endian');
            $table->unique(['run_channel_id', 'first_seq']);
        });

        Schema::create('readings', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('run_id')->constrained()->cascadeOnDelete();
            $table->uuid('request_key')->comment('made by the screen, so that a repeated request stores one reading');
            $table->double('volume')->comment('mL added');
            $table->double('taken_at')->comment('clock of the bench, s');
            $table->boolean('was_steady');
            $table->string('set_aside_reason', 200)->nullable();
            $table->foreignId('replaced_by_id')->nullable();
            $table->softDeletes(precision: 3);
            $table->timestamps(3);
            $table->unique(['run_id', 'request_key']);
        });

        Schema::create('reading_values', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('reading_id')->constrained()->cascadeOnDelete();
            $table->foreignId('run_channel_id')->constrained()->cascadeOnDelete();
            $table->double('mean')->comment('raw unit');
            $table->double('scatter')->comment('standard deviation of the samples, raw unit');
            $table->unsignedInteger('sample_count');
            $table->unique(['reading_id', 'run_channel_id']);
        });
    }

    public function down(): void
    {
        foreach (['reading_values', 'readings', 'sample_blocks', 'run_channels', 'runs', 'experiments'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
