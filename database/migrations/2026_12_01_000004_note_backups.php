<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::create('backups', static function (Blueprint $table): void {
            $table->id();
            $table->string('name', 80)->index();
            $table->string('kind', 8);
            $table->unsignedBigInteger('bytes');
            $table->timestamp('taken_at')->index();
            $table->timestamp('verified_at')->nullable();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('backups');
    }
};
