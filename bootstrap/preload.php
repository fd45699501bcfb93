<?php

declare(strict_types=1);

/* The classes of the core, which a server keeps in memory between requests (opcache.preload): they need not be looked for, and not
   be linked, with every one. */

require __DIR__.'/../vendor/autoload.php';

$files = new RecursiveIteratorIterator(new RecursiveDirectoryIterator(__DIR__.'/../core/src', FilesystemIterator::SKIP_DOTS));
foreach ($files as $file) {
    if ($file instanceof SplFileInfo && $file->getExtension() === 'php') {
        require_once $file->getPathname();
    }
}
