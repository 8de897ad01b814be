<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Recorders of their own for some benches. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('benches', function (Blueprint $table): void {
            $table->string('recorder', 40)->nullable()->comment('name of the recorder that has taken it; null: the one of the copy');
        });
    }

    public function down(): void
    {
        Schema::table('benches', function (Blueprint $table): void {
            $table->dropColumn('recorder');
        });
    }
};
