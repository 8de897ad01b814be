<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Probes that measure any quantity, as their device or their teacher says. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('probes', function (Blueprint $table): void {
            $table->string('stated_unit', 30)->nullable()->comment('of what it measures, as its device tells; null: as its kind');
            $table->string('own_title', 80)->nullable()->comment('what its teacher calls it');
            $table->string('own_unit', 30)->nullable()->comment('of what it measures, as its teacher says');
        });
    }

    public function down(): void
    {
        Schema::table('probes', function (Blueprint $table): void {
            $table->dropColumn(['stated_unit', 'own_title', 'own_unit']);
        });
    }
};
