<?php

declare(strict_types=1);

namespace App\Console\Commands;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Input\DataFile;
use Illuminate\Console\Command;

/**
 * Writes the tables of the core as one file of PHP, which a server keeps in memory between requests. `bin/start` does
 * it.
 */
final class CompileDataCommand extends Command
{
    protected $signature = 'data:compile {path}';

    protected $description = 'Write core/data as one file of PHP';

    public function handle(): int
    {
        $path = $this->argument('path');
        // Whole or not at all: a server may be reading it.
        file_put_contents("{$path}.new", DataFile::compiled(Catalogue::shipped()->rowValues()));
        rename("{$path}.new", $path);

        return 0;
    }
}
