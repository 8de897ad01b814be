<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** A marker stands at a moment of a timed run, or at a row of any other. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('markers', function (Blueprint $table): void {
            $table->double('at')->nullable()->comment('of a timed run: s after it began')->change();
            $table->unsignedBigInteger('row')->nullable()->comment('of any other: number of the row');
        });
    }

    public function down(): void
    {
        Schema::table('markers', fn (Blueprint $table) => $table->dropColumn('row'));
    }
};
