<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        // Revisions are kept packed (app/Models/PackedText.php); those that an earlier version kept as text stay text until
        // `jobs:pack` packs them, and can be read all the while.
        DB::statement('ALTER TABLE revisions MODIFY document LONGTEXT NULL, ADD packed MEDIUMBLOB NULL, ADD base INT UNSIGNED NULL');
    }

    /** Not while there are packed revisions: an earlier version could not read them. */
    public function down(): void
    {
        if (DB::table('revisions')->whereNull('document')->exists()) {
            throw new RuntimeException('There are packed revisions: an earlier version could not read them.');
        }
        Schema::dropColumns('revisions', ['packed', 'base']);
    }
};
