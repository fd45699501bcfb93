<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\Photograph;
use Illuminate\Console\Command;
use Throwable;

/** Reads every picture, wherever it stands, and says which is not there as it was put there. */
final class CheckPicturesCommand extends Command
{
    protected $signature = 'pictures:check';

    protected $description = 'Read every picture, and report what cannot be seen';

    public function handle(): int
    {
        [$read, $bad] = [0, 0];
        foreach (Photograph::query()->select('id')->lazyById(100) as $row) {
            // One after the other: a hundred at once may be hundreds of megabytes.
            $picture = Photograph::query()->findOrFail($row->id);
            $read++;
            if (! self::canBeSeen($picture)) {
                $this->line("The picture {$picture->hash} of the job {$picture->job_id} cannot be seen.");
                $bad++;
            }
        }
        $this->line("{$read} pictures read, {$bad} cannot be seen.");

        return $bad === 0 ? 0 : 1;
    }

    private static function canBeSeen(Photograph $picture): bool
    {
        try {
            return hash('sha256', $picture->picture()) === $picture->kept;
        } catch (Throwable) {
            return false;
        }
    }
}
