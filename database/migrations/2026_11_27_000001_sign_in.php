<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Addresses are told apart letter by letter; who stays signed in does so by a session that can be ended. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('users', function (Blueprint $table): void {
            // The usual collation takes ë for e and full-width letters for narrow ones.
            $table->string('email', 190)->charset('utf8mb4')->collation('utf8mb4_bin')->change();
            $table->dropColumn('remember_token');
        });
    }

    public function down(): void
    {
        Schema::table('users', function (Blueprint $table): void {
            $table->string('email', 190)->charset('utf8mb4')->collation('utf8mb4_unicode_ci')->change();
            $table->rememberToken();
        });
    }
};
