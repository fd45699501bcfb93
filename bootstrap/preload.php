<?php

declare(strict_types=1);

/* The classes of the core, which a server keeps in memory between requests (opcache.preload): they need not be looked for, and not
   be linked, with every one. */

spl_autoload_register(static function (string $class): void {
    if (str_starts_with($class, 'FallBend\\Core\\')) {
        require_once dirname(__DIR__).'/core/src/'.str_replace('\\', '/', substr($class, strlen('FallBend\\Core\\'))).'.php';
    }
});
$files = new RecursiveIteratorIterator(new RecursiveDirectoryIterator(dirname(__DIR__).'/core/src', FilesystemIterator::SKIP_DOTS));
foreach ($files as $file) {
    if ($file instanceof SplFileInfo && $file->getExtension() === 'php') {
        require_once $file->getPathname();
    }
}
