<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Runs whose rows are typed, pasted or read from a file: each column of a run is one packed array. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('runs', function (Blueprint $table): void {
            $table->json('row_order')->nullable()->comment('typed: the rows as they stand, as stretches of row numbers [[first, last], ...]');
            $table->unsignedInteger('rows_made')->default(0)->comment('typed: numbers given to rows so far; none is given twice');
        });
        Schema::table('columns', function (Blueprint $table): void {
            $table->double('uncertainty')->default(0.0)->comment('typed: standard uncertainty of each cell, in its unit');
            $table->string('uncertainty_of', 20)->nullable()->collation('utf8mb4_bin')->comment('typed: symbol of the column that holds the ± of each cell');
            $table->unsignedSmallInteger('edition')->default(1)->comment('typed: another one when its unit was changed and its values converted');
            $table->boolean('is_hidden')->default(false);
            $table->unsignedSmallInteger('width')->nullable()->comment('of its column in the table, in px at the usual size of type');
        });
        Schema::create('typed_columns', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('run_id')->constrained()->cascadeOnDelete();
            // No foreign key: a column that was removed comes back with undo, and finds what was typed in it.
            $table->unsignedBigInteger('column_id')->index();
            $table->unsignedSmallInteger('edition')->default(1);
            $table->unsignedTinyInteger('decimals')->default(0)->comment('most that were typed');
            $table->unique(['run_id', 'column_id', 'edition']);
        });
        DB::statement("ALTER TABLE typed_columns ADD numbers MEDIUMBLOB NOT NULL COMMENT 'float64 little-endian by row number, from 1; not a number: blank, or in texts',"
            ." ADD texts MEDIUMTEXT NOT NULL DEFAULT '{}' COMMENT 'JSON by row number: words, and what is no number'");
    }

    public function down(): void
    {
        Schema::dropIfExists('typed_columns');
        Schema::table('columns', fn (Blueprint $table) => $table->dropColumn(['uncertainty', 'uncertainty_of', 'edition', 'is_hidden', 'width']));
        Schema::table('runs', fn (Blueprint $table) => $table->dropColumn(['row_order', 'rows_made']));
    }
};
