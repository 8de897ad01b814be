<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Boards that are open to onlookers without an account. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('watches', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('experiment_id')->constrained()->cascadeOnDelete();
            $table->string('code', 24)->nullable()->unique()->comment('what is typed to see it; null once it is closed');
            $table->dateTime('expires_at', 3);
            $table->timestamps(3);
        });
    }

    public function down(): void
    {
        Schema::drop('watches');
    }
};
