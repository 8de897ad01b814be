<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Benches, and the probes that belong to them. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('benches', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained();
            $table->string('name', 60);
            $table->string('host', 120);
            $table->unsignedSmallInteger('port');
            $table->string('link_name', 60)->nullable()->comment('which bench behind a port that several share');
            $table->boolean('is_simulated')->default(false);
            $table->json('steady_limits')->nullable()->comment('{kind: {driftPerMinute, scatter, tolerance, windowS}} in the unit of the quantity');
            $table->timestamps();
            $table->unique(['user_id', 'name']);
        });
        Schema::create('probes', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained();
            $table->foreignId('bench_id')->constrained();
            $table->string('channel', 40)->comment('name on the probe link');
            $table->string('kind', 40);
            $table->string('title', 80);
            $table->string('serial', 80);
            $table->string('raw_unit', 20);
            $table->double('resolution');
            $table->double('stated_slope')->nullable()->comment('the maker\'s line, raw unit per unit of the quantity');
            $table->double('stated_offset')->nullable();
            $table->unsignedSmallInteger('position')->default(0)->comment('where its device names it');
            $table->double('fastest_hz')->default(10.0);
            $table->boolean('is_present')->default(true)->comment('whether its plug is in');
            $table->dateTime('presence_changed_at', 3)->nullable();
            $table->string('moved_from', 60)->nullable()->comment('bench it was carried here from');
            $table->dateTime('put_away_at', 3)->nullable()->comment('it comes back by itself when it is plugged in');
            $table->timestamps();
            $table->index('bench_id');
            $table->unique(['user_id', 'serial']);
        });
    }

    public function down(): void
    {
        foreach (['probes', 'benches'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
