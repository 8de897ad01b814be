<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What an experiment holds, whatever is studied: entries, columns, spans, figures and lines of working. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('protocols', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained();
            $table->uuid('request_key')->nullable();
            $table->string('title', 120);
            $table->json('content')->comment('of the shape of resources/protocols/protocol.schema.json');
            $table->timestamps(3);
            $table->unique(['user_id', 'request_key']);
        });
        Schema::create('experiments', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained();
            $table->foreignId('bench_id')->nullable()->comment('where its next run is recorded, if anywhere')->constrained()->nullOnDelete();
            $table->uuid('request_key')->nullable()->comment('made by the screen, so that a repeated request begins one experiment');
            $table->string('title', 120);
            $table->text('aim')->nullable();
            $table->text('conclusion')->nullable();
            $table->json('plan')->comment('the protocol it began with, but for what is stored in tables: roles, run, prepare, hints');
            $table->unsignedInteger('revision')->default(0)->comment('counts the changes of the journal');
            $table->dateTime('thrown_away_at', 3)->nullable();
            $table->timestamps(3);
            $table->unique(['user_id', 'request_key']);
            $table->index(['user_id', 'thrown_away_at', 'updated_at']);
        });
        Schema::create('columns', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('experiment_id')->constrained()->cascadeOnDelete();
            $table->string('symbol', 20)->collation('utf8mb4_bin');
            $table->string('name', 120);
            $table->string('unit', 30)->default('');
            $table->string('kind', 12)->comment('time, measured, step, typed or derived');
            $table->string('role', 40)->nullable()->comment('of a measured one: which probe');
            $table->boolean('is_raw')->default(false)->comment('the signal as the probe gives it');
            $table->boolean('is_steady')->default(false)->comment('a reading waits until it stands still');
            $table->boolean('is_words')->default(false);
            $table->string('formula', 400)->nullable()->comment('of a derived one');
            $table->unsignedTinyInteger('decimals')->nullable();
            $table->double('least')->nullable();
            $table->double('most')->nullable();
            $table->double('finest')->nullable()->comment('smallest step');
            $table->unsignedSmallInteger('position');
            $table->unique(['experiment_id', 'symbol']);
        });
        Schema::create('entries', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('experiment_id')->constrained()->cascadeOnDelete();
            $table->string('symbol', 20)->collation('utf8mb4_bin');
            $table->string('name', 120);
            $table->string('unit', 30)->default('');
            $table->boolean('is_per_run')->default(false);
            $table->boolean('is_words')->default(false);
            $table->double('value')->nullable();
            $table->double('uncertainty')->default(0.0);
            $table->string('text', 200)->nullable()->comment('of an entry of words');
            $table->unsignedSmallInteger('position');
            $table->unique(['experiment_id', 'symbol']);
        });
        Schema::create('spans', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('experiment_id')->constrained()->cascadeOnDelete();
            $table->foreignId('column_id')->constrained()->cascadeOnDelete();
            $table->string('name', 120);
            $table->double('from');
            $table->double('to');
        });
        Schema::create('figures', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('experiment_id')->constrained()->cascadeOnDelete();
            $table->string('title', 160)->default('');
            $table->json('options')->comment('{x, panels: [{y: [symbol]}], axes}');
            $table->unsignedSmallInteger('position');
        });
        Schema::create('lines', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('experiment_id')->constrained()->cascadeOnDelete();
            $table->string('symbol', 20)->collation('utf8mb4_bin');
            $table->string('title', 120);
            $table->string('method', 40);
            $table->boolean('is_per_run')->default(false);
            $table->foreignId('span_id')->nullable()->constrained()->nullOnDelete();
            $table->json('options')->comment('{texts: {slot: text}, numbers: {slot: {value, uncertainty, unit}}, words}');
            $table->unsignedSmallInteger('position');
            $table->unique(['experiment_id', 'symbol']);
        });
        Schema::create('line_inputs', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('line_id')->constrained()->cascadeOnDelete();
            $table->string('slot', 40);
            $table->string('source_type', 10)->comment('column, entry or line');
            $table->unsignedBigInteger('source_id');
            $table->string('part', 40)->nullable()->comment('which result of a line');
            $table->unique(['line_id', 'slot']);
            $table->index(['source_type', 'source_id']);
        });
    }

    public function down(): void
    {
        foreach (['line_inputs', 'lines', 'figures', 'spans', 'entries', 'columns', 'experiments', 'protocols'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
