<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::create('own_entries', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('crew_id')->constrained()->cascadeOnDelete();
            $table->foreignId('author_id')->constrained('users');
            $table->string('kind', 20);
            $table->string('place', 200);
            $table->text('entry');
            $table->timestamp('created_at')->nullable();
            $table->unique(['crew_id', 'kind', 'place']);
        });
    }

    /** Not while there is something in it: it would be lost. */
    public function down(): void
    {
        if (DB::table('own_entries')->exists()) {
            throw new RuntimeException('Crews have set numbers or prices of their own: their table is not taken out.');
        }
        Schema::dropIfExists('own_entries');
    }
};
