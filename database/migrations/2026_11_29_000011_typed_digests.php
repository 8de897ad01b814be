<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** What a typed column holds can be told from what it held before without reading its numbers. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('typed_columns', function (Blueprint $table): void {
            $table->unsignedInteger('reach')->default(0)->comment('how many row numbers its numbers reach');
            $table->char('digest', 32)->charset('ascii')->collation('ascii_bin')->default('')->comment('MD5 of its numbers');
            $table->unsignedInteger('revision')->default(0)->comment('how often its numbers were changed');
        });
        DB::statement('UPDATE typed_columns SET reach = LENGTH(numbers) DIV 8, digest = MD5(numbers)');
    }

    public function down(): void
    {
        Schema::table('typed_columns', fn (Blueprint $table) => $table->dropColumn(['reach', 'digest', 'revision']));
    }
};
