<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** A span may lie elsewhere in one run. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('spans', function (Blueprint $table): void {
            $table->json('of_runs')->nullable()->comment('{number of a run: [from, to]} where it lies elsewhere');
        });
    }

    public function down(): void
    {
        Schema::table('spans', fn (Blueprint $table) => $table->dropColumn('of_runs'));
    }
};
