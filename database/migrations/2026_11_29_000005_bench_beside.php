<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Runs that two benches feed. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('experiments', function (Blueprint $table): void {
            $table->foreignId('beside_id')->nullable()->comment('a second bench its next run is recorded from')->constrained('benches')->nullOnDelete();
        });
        Schema::table('runs', function (Blueprint $table): void {
            $table->foreignId('beside_id')->nullable()->comment('a second bench that feeds it')->constrained('benches')->nullOnDelete();
            $table->index(['state', 'beside_id']);
        });
        Schema::table('run_channels', function (Blueprint $table): void {
            $table->boolean('is_beside')->default(false)->comment('recorded from the bench beside, by its clock');
            $table->double('clock_error')->nullable()->comment('standard uncertainty of its beginning against that of the run, s');
        });
    }

    public function down(): void
    {
        Schema::table('run_channels', function (Blueprint $table): void {
            $table->dropColumn(['is_beside', 'clock_error']);
        });
        Schema::table('runs', function (Blueprint $table): void {
            $table->dropIndex(['state', 'beside_id']);
            $table->dropConstrainedForeignId('beside_id');
        });
        Schema::table('experiments', function (Blueprint $table): void {
            $table->dropConstrainedForeignId('beside_id');
        });
    }
};
