<?php

declare(strict_types=1);

namespace App\Console\Commands;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Guide\RuleBookPages;
use Illuminate\Console\Command;

/** Writes docs/rulebooks from the data of the core. */
final class WriteRulePagesCommand extends Command
{
    protected $signature = 'rules:pages';

    protected $description = 'Write docs/rulebooks';

    public function handle(): int
    {
        $folder = base_path('docs/rulebooks');
        if (! is_dir($folder)) {
            mkdir($folder);
        }
        $old = glob("{$folder}/*.{md,svg}", GLOB_BRACE);
        array_map(unlink(...), $old === false ? [] : $old);
        foreach ((new RuleBookPages(Catalogue::shipped()))->files() as $name => $text) {
            file_put_contents("{$folder}/{$name}", $text);
        }

        return 0;
    }
}
