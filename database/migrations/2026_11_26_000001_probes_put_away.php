<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** A probe that has gone for good leaves the list of its bench; its record stays. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('probes', function (Blueprint $table): void {
            $table->dateTime('put_away_at', 3)->nullable()->comment('it comes back by itself when it is plugged in');
        });
    }

    public function down(): void
    {
        Schema::table('probes', function (Blueprint $table): void {
            $table->dropColumn('put_away_at');
        });
    }
};
