<?php

declare(strict_types=1);

namespace App\Console\Commands;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Guide\FittingLengthPages;
use FallBend\Core\Guide\RuleBookPages;
use Illuminate\Console\Command;

/** Writes docs/rulebooks and docs/fitting-lengths from the data of the core. */
final class WriteRulePagesCommand extends Command
{
    protected $signature = 'rules:pages';

    protected $description = 'Write docs/rulebooks and docs/fitting-lengths';

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
        $pictures = base_path('docs/fitting-lengths');
        if (! is_dir($pictures)) {
            mkdir($pictures);
        }
        foreach ((new FittingLengthPages(Catalogue::shipped()))->files() as $name => $text) {
            file_put_contents(base_path("docs/{$name}"), $text);
        }

        return 0;
    }
}
