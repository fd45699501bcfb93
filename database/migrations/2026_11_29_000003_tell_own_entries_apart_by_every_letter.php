<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    /** "Elbow" and "elbow" are two things: one's price does not go in place of the other's. */
    public function up(): void
    {
        Schema::table('own_entries', static function (Blueprint $table): void {
            $table->string('place', 300)->collation('utf8mb4_nopad_bin')->change();
        });
    }

    /** Fails, and changes nothing, where two entries are told apart by more than the older rule saw. */
    public function down(): void
    {
        Schema::table('own_entries', static function (Blueprint $table): void {
            $table->string('place', 300)->collation('utf8mb4_unicode_520_ci')->change();
        });
    }
};
