<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Before the migrations that save jobs: what is saved of a job has its station. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('jobs', static function (Blueprint $table): void {
            // The station that has the next thing to do, as the summary says.
            $table->string('station', 12)->default('route');
            $table->timestamp('archived_at')->nullable();
            $table->timestamp('deleted_at')->nullable()->index();
            $table->foreignId('deleted_by_id')->nullable()->constrained('users');
        });
        Schema::table('revisions', static function (Blueprint $table): void {
            $table->index(['job_id', 'author_id']);
        });
        Schema::table('log_entries', static function (Blueprint $table): void {
            $table->index(['job_id', 'author_id']);
        });
    }

    /** Not while jobs are deleted or archived: they would stand among the others again. */
    public function down(): void
    {
        if (DB::table('jobs')->whereNotNull('deleted_at')->orWhereNotNull('archived_at')->exists()) {
            throw new RuntimeException('Jobs are archived or deleted: put them back first.');
        }
        Schema::table('log_entries', static function (Blueprint $table): void {
            $table->dropIndex(['job_id', 'author_id']);
        });
        Schema::table('revisions', static function (Blueprint $table): void {
            $table->dropIndex(['job_id', 'author_id']);
        });
        Schema::table('jobs', static function (Blueprint $table): void {
            $table->dropConstrainedForeignId('deleted_by_id');
            $table->dropColumn(['station', 'archived_at', 'deleted_at']);
        });
    }
};
