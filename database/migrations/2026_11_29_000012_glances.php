<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** What is shown of the columns of long typed runs, kept until it is another. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('glances', function (Blueprint $table): void {
            $table->foreignId('run_id')->constrained()->cascadeOnDelete();
            $table->unsignedBigInteger('column_id');
            $table->char('key', 40)->charset('ascii')->collation('ascii_bin')->comment('SHA-1 of all it was made of');
            $table->binary('glance')->comment('its foot, and what is said of it');
            $table->binary('cells')->comment('those that are drawn');
            $table->primary(['run_id', 'column_id']);
        });
        DB::statement('ALTER TABLE glances MODIFY glance BLOB NOT NULL, MODIFY cells MEDIUMBLOB NOT NULL');
    }

    public function down(): void
    {
        Schema::dropIfExists('glances');
    }
};
