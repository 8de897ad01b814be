<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Files and pasted texts that numbers were read from, kept as they came. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('table_files', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('experiment_id')->constrained()->cascadeOnDelete();
            $table->foreignId('user_id')->constrained();
            $table->uuid('request_key')->comment('made by the screen, so that a repeated request keeps one file');
            $table->string('name', 200);
            $table->unsignedInteger('bytes');
            $table->string('place', 120)->comment('below the folder of kept files');
            $table->json('hints')->nullable()->comment('how it was understood when its numbers were taken');
            $table->dateTime('taken_at', 3)->nullable();
            $table->timestamps(3);
            $table->unique(['user_id', 'request_key']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('table_files');
    }
};
