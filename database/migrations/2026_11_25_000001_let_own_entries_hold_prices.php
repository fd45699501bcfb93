<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        // The name of a thing that has a price is up to 200 long by itself.
        Schema::table('own_entries', static function (Blueprint $table): void {
            $table->string('place', 300)->change();
        });
    }

    /** Not while an entry needs the room. */
    public function down(): void
    {
        if (DB::table('own_entries')->whereRaw('char_length(place) > 200')->exists()) {
            throw new RuntimeException('There are prices of things with names too long for the older table: it is not made narrower.');
        }
        Schema::table('own_entries', static function (Blueprint $table): void {
            $table->string('place', 200)->change();
        });
    }
};
