<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Files\PictureStore;
use Illuminate\Console\Command;
use RuntimeException;
use Symfony\Component\Process\Process;

/**
 * Copies what is in the store of pictures into a folder, by hash, and lists what is there; what was copied before is
 * not copied again. `bin/backup` calls it.
 */
final class CopyPicturesCommand extends Command
{
    protected $signature = 'pictures:copy
        {folder : where each stands under its hash}
        {list : the file that names all of them, one a line; what it names already stays named}
        {--through=cat : the command that each goes through, which encrypts it}
        {--ending= : what stands behind the hash}';

    protected $description = 'Copy the pictures of the store into a folder';

    public function handle(): int
    {
        [$folder, $list] = [$this->argument('folder'), $this->argument('list')];
        $named = is_file($list) ? explode("\n", trim((string) file_get_contents($list))) : [];
        $copied = 0;
        foreach (PictureStore::all() as $kept) {
            $file = "{$folder}/{$kept}{$this->option('ending')}";
            if (! is_file($file)) {
                $this->copy($kept, $file);
                $copied++;
            }
            $named[] = $kept;
        }
        $named = array_unique(array_filter($named, static fn (string $kept): bool => $kept !== ''));
        sort($named);
        file_put_contents($list, implode('', array_map(static fn (string $kept): string => "{$kept}\n", $named)));
        $this->line(count($named)." pictures, {$copied} of them new.");

        return 0;
    }

    private function copy(string $kept, string $file): void
    {
        $through = Process::fromShellCommandline((string) $this->option('through').' > "$FILE"', timeout: 300);
        $through->setInput(PictureStore::get($kept));
        $through->run(null, ['FILE' => "{$file}.part"]);
        if (! $through->isSuccessful() || ! rename("{$file}.part", $file)) {
            throw new RuntimeException("The picture {$kept} could not be copied: {$through->getErrorOutput()}");
        }
    }
}
