<?php

declare(strict_types=1);

use App\Actions\KeepRevision;
use App\Models\Job;
use FallBend\Core\Input\BadInput;
use Illuminate\Database\Migrations\Migration;

return new class extends Migration {
    /** The marks of a run have its figure before them since; what is cut, printed or joined keeps what is written. */
    public function up(): void
    {
        foreach (Job::query()->orderBy('id')->lazyById(20) as $job) {
            try {
                app(KeepRevision::class)->giveFigures($job);
            } catch (BadInput) {
                // It cannot be opened either. Whoever goes back to a revision that can be read goes on from that.
            }
        }
    }

    /** Not while there are such jobs: an earlier version cannot read them. */
    public function down(): void
    {
        foreach (Job::query()->orderBy('id')->lazyById(20) as $job) {
            if (str_contains($job->headRevision()->text(), '"figure":')) {
                throw new RuntimeException('There are runs with figures: an earlier version cannot read them.');
            }
        }
    }
};
