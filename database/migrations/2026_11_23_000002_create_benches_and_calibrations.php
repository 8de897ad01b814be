<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('benches', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained();
            $table->string('name', 60);
            $table->string('host', 120);
            $table->unsignedSmallInteger('port');
            $table->boolean('is_simulated')->default(false);
            $table->timestamps();
            $table->unique(['user_id', 'name']);
        });

        Schema::create('probes', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('bench_id')->constrained();
            $table->string('channel', 40)->comment('name on the probe link');
            $table->string('kind', 40);
            $table->string('title', 80);
            $table->string('serial', 80);
            $table->string('raw_unit', 20);
            $table->double('resolution');
            $table->timestamps();
            $table->unique(['bench_id', 'channel']);
        });

        Schema::create('calibrations', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('probe_id')->constrained();
            $table->foreignId('user_id')->constrained();
            $table->json('standards')->comment('[{label, ph, buffer}] in the order they are read');
            $table->string('state', 12)->default('open')->comment('open, kept or dropped');
            $table->double('celsius')->nullable()->comment('temperature of the standards');
            $table->double('slope')->nullable()->comment('mV per pH, positive, at that temperature');
            $table->double('slope_uncertainty')->nullable();
            $table->double('offset')->nullable()->comment('mV at pH 7');
            $table->double('offset_uncertainty')->nullable();
            $table->dateTime('kept_at', 3)->nullable();
            $table->timestamps();
            $table->index(['probe_id', 'state', 'kept_at']);
        });

        Schema::create('calibration_readings', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('calibration_id')->constrained()->cascadeOnDelete();
            $table->unsignedTinyInteger('position')->comment('which standard, from 0');
            $table->double('ph')->comment('of the standard at its temperature');
            $table->double('celsius');
            $table->double('millivolts');
            $table->double('scatter');
            $table->unsignedInteger('sample_count');
            $table->boolean('was_steady');
            $table->double('drift_per_minute')->comment('mV per minute while it was read');
            $table->json('samples')->comment('the raw signal in mV that was averaged');
            $table->double('taken_at')->comment('clock of the bench, s');
            $table->timestamp('replaced_at', 3)->nullable();
            $table->timestamps();
            $table->index(['calibration_id', 'position']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('calibration_readings');
        Schema::dropIfExists('calibrations');
        Schema::dropIfExists('probes');
        Schema::dropIfExists('benches');
    }
};
