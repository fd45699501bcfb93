<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        // Which pages of a job are open: written anew every few seconds, and of no worth a minute later.
        Schema::create('presences', static function (Blueprint $table): void {
            $table->foreignUlid('job_id')->constrained()->cascadeOnDelete();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->string('page', 20);
            $table->string('station', 20);
            $table->timestamp('seen_at');
            $table->primary(['job_id', 'user_id', 'page']);
            $table->index('seen_at');
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('presences');
    }
};
