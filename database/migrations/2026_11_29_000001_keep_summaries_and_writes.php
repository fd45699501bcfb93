<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::table('jobs', static function (Blueprint $table): void {
            // What the board shows; version 0: not made yet (`jobs:summarise` makes it).
            $table->longText('summary')->nullable();
            $table->unsignedSmallInteger('summary_version')->default(0)->index();
            $table->text('unreadable')->nullable();
            $table->foreignId('kept_by_id')->nullable()->constrained('users');
            $table->index(['crew_id', 'updated_at', 'id']);
        });
        DB::statement('UPDATE jobs SET updated_at = updated_at, kept_by_id = (SELECT author_id FROM revisions WHERE revisions.job_id = jobs.id AND revisions.number = jobs.head)');
        Schema::create('writes', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->string('key', 80);
            $table->char('fingerprint', 64);
            // The revision that it made; other writes keep their answer itself.
            $table->foreignUlid('job_id')->nullable()->constrained()->cascadeOnDelete();
            $table->unsignedInteger('revision')->nullable();
            $table->mediumText('answer')->nullable();
            $table->timestamp('created_at')->nullable()->index();
            $table->unique(['user_id', 'key']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('writes');
        Schema::table('jobs', static function (Blueprint $table): void {
            $table->dropConstrainedForeignId('kept_by_id');
            $table->dropIndex(['crew_id', 'updated_at', 'id']);
            $table->dropColumn(['summary', 'summary_version', 'unreadable']);
        });
    }
};
