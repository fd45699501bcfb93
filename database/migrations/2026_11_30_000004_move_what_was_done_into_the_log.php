<?php

declare(strict_types=1);

use App\Log\MoveIntoLog;
use App\Models\Job;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\OnSite;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    /** What an earlier version does not know. */
    private const KINDS = ['cut', 'printed', 'level', 'measured'];

    public function up(): void
    {
        // A printed ticket of many pieces is longer than a text.
        DB::statement('ALTER TABLE log_entries MODIFY content MEDIUMTEXT NOT NULL');
        Schema::table('log_entries', static fn (Blueprint $table) => $table->index(['job_id', 'kind']));
        foreach (Job::query()->orderBy('id')->lazyById(20) as $job) {
            $this->move($job);
        }
    }

    /** Up to version 3 what was cut, printed, levelled and measured stood in the document of a job. */
    private function move(Job $job): void
    {
        $head = $job->headRevision();
        $document = json_decode($head->text(), true);
        if (! is_array($document) || ! is_int($document['version'] ?? null) || $document['version'] > 3) {
            return;
        }
        try {
            $site = OnSite::ofVersion3(Fields::of($document));
        } catch (BadInput) {
            // It cannot be opened either. Whoever goes back to a revision that can be read goes on from that.
            return;
        }
        app(MoveIntoLog::class)->move($job, $head->author, $site, max(0.0, $head->created_at->diffInSeconds(now())));
    }

    /** Not while there are such entries: an earlier version cannot read them. */
    public function down(): void
    {
        if (DB::table('log_entries')->whereIn('kind', self::KINDS)->exists()) {
            throw new RuntimeException('There are cuts and readings in the log: an earlier version cannot read them.');
        }
        Schema::table('log_entries', static fn (Blueprint $table) => $table->dropIndex(['job_id', 'kind']));
        DB::statement('ALTER TABLE log_entries MODIFY content TEXT NOT NULL');
    }
};
