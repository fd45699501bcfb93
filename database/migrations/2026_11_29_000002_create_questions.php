<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        // Heavy questions that are waiting or being worked on. Each is gone when it is answered.
        Schema::create('questions', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->foreignId('crew_id')->nullable()->constrained()->cascadeOnDelete();
            $table->string('key', 80)->nullable()->index();
            $table->boolean('is_begun')->default(false);
            $table->boolean('is_called_off')->default(false);
            $table->timestamp('created_at')->nullable();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('questions');
    }
};
