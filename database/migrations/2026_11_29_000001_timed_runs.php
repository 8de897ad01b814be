<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Timed runs: when they began and ended by the clock of their benches, and the markers dropped in them. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('runs', function (Blueprint $table): void {
            $table->double('armed_at')->nullable()->after('plan')->comment('timed: clock of its bench when it began to wait, s');
            $table->double('ended_s')->nullable()->after('armed_at')->comment('timed: where its rows end, s after it began');
            $table->string('ended_by', 12)->nullable()->after('ended_s')->comment('timed: length, event or hand');
            // An empty one that was thrown away leaves its number to the next; that no two on screen have the same is seen to
            // where they are made and brought back.
            $table->index(['experiment_id', 'number'], 'runs_of_experiment');
            $table->dropUnique(['experiment_id', 'number']);
        });
        Schema::table('run_channels', function (Blueprint $table): void {
            $table->double('zero_time')->nullable()->comment('timed: clock of its bench when the run began, s; none while it waits');
        });
        Schema::create('markers', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('run_id')->constrained()->cascadeOnDelete();
            $table->double('at')->comment('s after the run began');
            $table->string('name', 120)->default('');
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('markers');
        Schema::table('run_channels', fn (Blueprint $table) => $table->dropColumn('zero_time'));
        Schema::table('runs', function (Blueprint $table): void {
            $table->unique(['experiment_id', 'number']);
            $table->dropIndex('runs_of_experiment');
            $table->dropColumn(['armed_at', 'ended_s', 'ended_by']);
        });
    }
};
