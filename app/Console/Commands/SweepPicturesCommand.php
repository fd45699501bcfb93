<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Files\PictureStore;
use App\Models\Photograph;
use Illuminate\Console\Command;

/** Takes pictures out of the store that belong to no job any more. */
final class SweepPicturesCommand extends Command
{
    /** What was put there later may belong to a row that is being written: it is left for the next time. */
    private const SETTLED_SECONDS = 86_400;

    protected $signature = 'pictures:sweep';

    protected $description = 'Take pictures out of the store that belong to no job any more';

    public function handle(): int
    {
        $gone = 0;
        foreach (array_chunk(PictureStore::all(), 500) as $kept) {
            /** @var list<string> $named */
            $named = Photograph::query()->whereIn('kept', $kept)->distinct()->pluck('kept')->all();
            foreach (array_diff($kept, $named) as $one) {
                if (PictureStore::isOlderThan($one, time() - self::SETTLED_SECONDS)) {
                    PictureStore::remove($one);
                    $gone++;
                }
            }
        }
        $this->line("{$gone} pictures taken out.");

        return 0;
    }
}
