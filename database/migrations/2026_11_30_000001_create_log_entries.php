<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        // What happened on site, in the order in which it arrived. Nothing of it is ever changed: times and contents
        // stand as the text that
        // their hash is made of. A job knows how many entries it has and the hash of the last: so that one that is cut
        // off is missed.
        Schema::create('log_entries', static function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('job_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('number');
            $table->string('key', 80)->collation('utf8mb4_bin');
            $table->string('kind', 30);
            $table->text('content');
            $table->foreignId('author_id')->constrained('users');
            $table->string('device', 80);
            $table->string('made_at', 40);
            $table->string('happened_at', 40);
            $table->string('kept_at', 40);
            $table->char('previous', 64);
            $table->char('hash', 64);
            $table->unique(['job_id', 'number']);
            $table->unique(['job_id', 'key']);
        });
        DB::statement(
            'ALTER TABLE jobs ADD log_length INT UNSIGNED NOT NULL DEFAULT 0, '.
                "ADD log_hash CHAR(64) NOT NULL DEFAULT ''",
        );
    }

    /** Not while there are entries: an earlier version would lose them. */
    public function down(): void
    {
        if (DB::table('log_entries')->exists()) {
            throw new RuntimeException('There are entries in the log: an earlier version would lose them.');
        }
        Schema::dropIfExists('log_entries');
        Schema::dropColumns('jobs', ['log_length', 'log_hash']);
    }
};
