<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        // Links by which somebody without an account reads the record of a job. What stands in a link is known to
        // whoever has it and to nobody else: only its hash is kept.
        Schema::create('shares', static function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('job_id')->constrained()->cascadeOnDelete();
            $table->foreignId('author_id')->constrained('users');
            $table->string('for', 80);
            $table->char('token_hash', 64)->unique();
            $table->dateTime('expires_at');
            $table->dateTime('withdrawn_at')->nullable();
            $table->dateTime('created_at');
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('shares');
    }
};
