<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        // Pictures that entries of the log name by their hash: sent once, however often they are meant.
        Schema::create('photographs', static function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('job_id')->constrained()->cascadeOnDelete();
            $table->char('hash', 64);
            $table->string('type', 20);
            $table->dateTime('created_at');
            $table->unique(['job_id', 'hash']);
        });
        DB::statement('ALTER TABLE photographs ADD bytes MEDIUMBLOB NOT NULL');
    }

    /** Not while there are pictures: an earlier version would lose them. */
    public function down(): void
    {
        if (DB::table('photographs')->exists()) {
            throw new RuntimeException('There are photographs: an earlier version would lose them.');
        }
        Schema::dropIfExists('photographs');
    }
};
