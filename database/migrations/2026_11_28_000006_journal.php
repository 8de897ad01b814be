<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Every change of a notebook, and results that were worked out. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('changes', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('experiment_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('revision');
            $table->foreignId('user_id')->constrained();
            $table->uuid('request_key')->comment('made by the screen, so that a repeated request changes once');
            $table->string('screen', 40)->default('')->comment('which window it came from');
            $table->string('kind', 8)->default('do')->comment('do, undo or redo');
            $table->foreignId('of_id')->nullable()->comment('the change that was undone or redone');
            $table->boolean('is_undone')->default(false);
            $table->boolean('is_redoable')->default(false);
            $table->string('words', 250);
            $table->longText('rows')->comment('[{table, id, before, after}]');
            $table->dateTime('created_at', 3);
            $table->unique(['experiment_id', 'revision']);
            $table->unique(['experiment_id', 'user_id', 'request_key']);
        });
        Schema::create('worked_values', function (Blueprint $table): void {
            $table->char('key', 40)->charset('ascii')->collation('ascii_bin')->primary();
            $table->foreignId('experiment_id')->constrained()->cascadeOnDelete();
            $table->binary('outcome');
            $table->dateTime('used_at')->index();
        });
        DB::statement('ALTER TABLE worked_values MODIFY outcome MEDIUMBLOB NOT NULL');
    }

    public function down(): void
    {
        foreach (['worked_values', 'changes'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
