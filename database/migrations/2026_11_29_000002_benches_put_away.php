<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** A bench that is gone can be put away; what was recorded at it stays. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('benches', fn (Blueprint $table) => $table->dateTime('put_away_at', 3)->nullable());
    }

    public function down(): void
    {
        Schema::table('benches', fn (Blueprint $table) => $table->dropColumn('put_away_at'));
    }
};
