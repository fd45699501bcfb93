<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Files\PictureStore;
use App\Models\Photograph;
use Illuminate\Console\Command;

/** Moves the bytes of pictures into the store, or back into the database, one after the other, while it is served. */
final class MovePicturesCommand extends Command
{
    protected $signature = 'pictures:move {to : database, or store}';

    protected $description = 'Move pictures into the store that PICTURES_… names, or back into the database';

    public function handle(): int
    {
        $to = $this->argument('to');
        if (! in_array($to, [PictureStore::IN_DATABASE, PictureStore::ELSEWHERE], true)) {
            $this->error('Say where to: database, or store.');

            return 1;
        }
        $isOut = $to === PictureStore::ELSEWHERE;
        $left = Photograph::query()->whereNull('bytes', not: $isOut)->select(['id', 'kept']);
        $moved = 0;
        foreach ($left->lazyById(100) as $row) {
            $picture = Photograph::query()->findOrFail($row->id);
            // It is there before it is gone here.
            $bytes = $isOut ? PictureStore::putElsewhere((string) $picture->bytes) : PictureStore::get($picture->kept);
            $picture->update(['bytes' => $bytes]);
            $moved++;
        }
        $this->line("{$moved} pictures moved.");

        return 0;
    }
}
