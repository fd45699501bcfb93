<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        // Without bytes here they stand in the store of pictures, under the hash of what is kept.
        DB::statement('ALTER TABLE photographs MODIFY bytes MEDIUMBLOB NULL');
        Schema::table('photographs', static function (Blueprint $table): void {
            $table->char('kept', 64)->default('')->index();
        });
        DB::statement('UPDATE photographs SET kept = SHA2(bytes, 256)');
    }

    /** Not while there are pictures elsewhere: an earlier version would not find them. */
    public function down(): void
    {
        if (DB::table('photographs')->whereNull('bytes')->exists()) {
            throw new RuntimeException('There are pictures elsewhere. First: php artisan pictures:move database');
        }
        Schema::table('photographs', static function (Blueprint $table): void {
            $table->dropColumn('kept');
        });
        DB::statement('ALTER TABLE photographs MODIFY bytes MEDIUMBLOB NOT NULL');
    }
};
