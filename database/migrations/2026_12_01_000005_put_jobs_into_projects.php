<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::table('jobs', static function (Blueprint $table): void {
            // What several jobs belong to, such as the dwellings of one site; empty: to nothing.
            $table->string('project', 80)->default('');
            $table->index(['crew_id', 'project']);
        });
    }

    public function down(): void
    {
        Schema::table('jobs', static function (Blueprint $table): void {
            $table->dropIndex(['crew_id', 'project']);
            $table->dropColumn('project');
        });
    }
};
