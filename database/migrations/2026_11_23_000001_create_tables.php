<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::create('users', static function (Blueprint $table): void {
            $table->id();
            $table->string('name');
            $table->string('email')->unique();
            $table->string('password');
            $table->rememberToken();
            $table->timestamps();
        });
        Schema::create('crews', static function (Blueprint $table): void {
            $table->id();
            $table->string('name');
            $table->timestamps();
        });
        Schema::create('crew_user', static function (Blueprint $table): void {
            $table->foreignId('crew_id')->constrained()->cascadeOnDelete();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->primary(['crew_id', 'user_id']);
        });
        Schema::create('jobs', static function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignId('crew_id')->constrained()->cascadeOnDelete();
            $table->string('name');
            $table->unsignedInteger('head');
            $table->timestamps();
            $table->index(['crew_id', 'updated_at']);
        });
        Schema::create('revisions', static function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('job_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('number');
            $table->foreignId('author_id')->constrained('users');
            $table->string('gesture', 40);
            $table->unsignedInteger('undo_to')->nullable();
            $table->unsignedInteger('redo_to')->nullable();
            $table->longText('document');
            $table->timestamp('created_at')->nullable();
            $table->unique(['job_id', 'number']);
        });
        Schema::create('sessions', static function (Blueprint $table): void {
            $table->string('id')->primary();
            $table->foreignId('user_id')->nullable()->index();
            $table->string('ip_address', 45)->nullable();
            $table->text('user_agent')->nullable();
            $table->longText('payload');
            $table->integer('last_activity')->index();
        });
        Schema::create('cache', static function (Blueprint $table): void {
            $table->string('key')->primary();
            $table->mediumText('value');
            $table->integer('expiration');
        });
        Schema::create('cache_locks', static function (Blueprint $table): void {
            $table->string('key')->primary();
            $table->string('owner');
            $table->integer('expiration');
        });
    }

    /** Not while there are jobs: they would be lost. */
    public function down(): void
    {
        if (DB::table('jobs')->exists()) {
            throw new RuntimeException('There are jobs in the database: these tables are not taken out.');
        }
        foreach (['cache_locks', 'cache', 'sessions', 'revisions', 'jobs', 'crew_user', 'crews', 'users'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
