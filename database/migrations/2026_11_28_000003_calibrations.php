<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Calibrations, zeros, and the standards on the shelf. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('calibrations', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('probe_id')->constrained();
            $table->foreignId('user_id')->constrained();
            $table->uuid('request_key')->nullable()->comment('made by the screen, so that a repeated request begins one calibration');
            $table->string('recipe', 40);
            $table->string('origin', 12)->default('read')->comment('read, copied or factory');
            $table->json('standards')->comment('[{source, code, label, value, uncertainty, unit, shelfId}] in the order they are read');
            $table->json('settings')->nullable()->comment('{barometerKpa, boreMm, boreUncertaintyMm, deadVolumeMl, coefficient, celsius}');
            $table->string('state', 12)->default('open')->comment('open, kept or dropped');
            $table->string('unit', 20);
            $table->double('celsius')->nullable()->comment('temperature of the standards');
            $table->double('slope')->nullable()->comment('raw unit per unit of the quantity, with its sign');
            $table->double('slope_uncertainty')->nullable();
            $table->double('offset')->nullable()->comment('raw signal at pH 7, or at nothing');
            $table->double('offset_uncertainty')->nullable();
            $table->double('covariance')->default(0.0)->comment('of slope and offset');
            $table->string('verdict', 40)->nullable()->comment('code of the verdict when it was kept');
            $table->foreignId('copied_from_id')->nullable()->constrained('calibrations');
            $table->foreignId('beside_id')->nullable()->comment('the calibration it is read together with')->constrained('calibrations');
            $table->string('set_aside_reason', 200)->nullable();
            $table->dateTime('kept_at', 3)->nullable();
            $table->timestamps();
            $table->index(['probe_id', 'state', 'kept_at']);
            $table->unique(['user_id', 'request_key']);
        });
        Schema::create('calibration_readings', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('calibration_id')->constrained()->cascadeOnDelete();
            $table->unsignedTinyInteger('position')->comment('which standard, from 0');
            $table->double('value')->comment('of the standard at its temperature');
            $table->double('celsius');
            $table->double('raw');
            $table->double('scatter');
            $table->unsignedInteger('sample_count');
            $table->boolean('was_steady');
            $table->double('drift_per_minute')->comment('raw unit per minute while it was read');
            $table->json('samples')->comment('the raw signal that was averaged');
            $table->double('taken_at')->comment('clock of the bench, s');
            $table->timestamp('replaced_at', 3)->nullable();
            $table->timestamps();
            $table->index(['calibration_id', 'position']);
        });
        Schema::create('shelf_standards', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained();
            $table->string('kind', 40)->comment('kind of probe it is for');
            $table->string('source', 40);
            $table->string('code', 20)->default('');
            $table->string('label', 60);
            $table->double('value');
            $table->double('uncertainty');
            $table->string('unit', 20);
            $table->string('lot', 60)->nullable();
            $table->date('expires_on')->nullable();
            $table->softDeletes();
            $table->timestamps();
        });
        Schema::create('zeros', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('probe_id')->constrained();
            $table->foreignId('user_id')->constrained();
            $table->double('raw')->comment('raw signal that is taken for nothing');
            $table->double('scatter');
            $table->double('value_before')->comment('what was shown until then');
            $table->string('unit', 20);
            $table->double('taken_at')->comment('clock of the bench, s');
            $table->dateTime('undone_at', 3)->nullable();
            $table->timestamps(3);
            $table->index(['probe_id', 'undone_at', 'id']);
        });
    }

    public function down(): void
    {
        foreach (['zeros', 'shelf_standards', 'calibration_readings', 'calibrations'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
