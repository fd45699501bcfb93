<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::table('crew_user', static function (Blueprint $table): void {
            // Whoever was in a crew could do everything but what is new: nobody may do less than before.
            $table->string('role', 12)->default('lead');
        });
        // Whoever came first owns the crew.
        DB::statement(
            <<<'SQL'
            UPDATE crew_user JOIN (SELECT crew_id, MIN(user_id) AS first FROM crew_user GROUP BY crew_id) AS firsts
                ON firsts.crew_id = crew_user.crew_id AND firsts.first = crew_user.user_id
            SET role = 'owner'
            SQL
            ,
        );
        // From now on it is said of everybody.
        Schema::table('crew_user', static function (Blueprint $table): void {
            $table->string('role', 12)->default(null)->change();
        });
        Schema::table('invitations', static function (Blueprint $table): void {
            $table->string('role', 12)->default('plumber');
        });
        Schema::table('users', static function (Blueprint $table): void {
            // A second factor: its secret as the application seals it, since when it is asked for, and the time step
            // of the last code, which opens nothing again.
            $table->text('totp_secret')->nullable();
            $table->timestamp('totp_since')->nullable();
            $table->unsignedBigInteger('totp_last')->nullable();
            $table->json('recovery_hashes')->nullable();
        });
        Schema::create('audit_entries', static function (Blueprint $table): void {
            $table->id();
            // Of a crew; without one of somebody's account.
            $table->foreignId('crew_id')->nullable()->constrained()->cascadeOnDelete();
            $table->foreignId('actor_id')->nullable()->constrained('users')->nullOnDelete();
            $table->string('actor', 80);
            $table->string('act', 40);
            $table->json('about');
            $table->string('request', 40);
            $table->timestamp('created_at', 3);
            $table->index(['crew_id', 'id']);
            $table->index(['actor_id', 'id']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('audit_entries');
        Schema::table('users', static function (Blueprint $table): void {
            $table->dropColumn(['totp_secret', 'totp_since', 'totp_last', 'recovery_hashes']);
        });
        Schema::table('invitations', static function (Blueprint $table): void {
            $table->dropColumn('role');
        });
        Schema::table('crew_user', static function (Blueprint $table): void {
            $table->dropColumn('role');
        });
    }
};
