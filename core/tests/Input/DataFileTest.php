<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Input;

use FallBend\Core\Input\DataFile;
use PHPUnit\Framework\TestCase;

final class DataFileTest extends TestCase
{
    public function testWhatIsCompiledIsWhatStandsInTheFiles(): void
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'data');
        file_put_contents(
            $path,
            DataFile::compiled(['t' => ['g' => ['a' => ['of' => self::class, 'values' => [1], 'within' => []]]]]),
        );
        ['files' => $files, 'rows' => $rows] = require $path;
        self::assertSame(['t' => ['g' => ['a' => ['of' => self::class, 'values' => [1], 'within' => []]]]], $rows);
        unlink($path);
        $found = 0;
        foreach (
            new \RecursiveIteratorIterator(
                new \RecursiveDirectoryIterator(DataFile::folder(), \FilesystemIterator::SKIP_DOTS),
            ) as $file
        ) {
            if ($file instanceof \SplFileInfo && $file->getExtension() === 'json') {
                $name = substr($file->getPathname(), strlen(DataFile::folder()) + 1);
                self::assertSame(
                    json_decode((string) file_get_contents($file->getPathname()), true),
                    $files[$name] ?? null,
                    $name,
                );
                $found++;
            }
        }
        self::assertCount($found, $files);
    }

    public function testWhatIsKnownIsNotReadAgain(): void
    {
        DataFile::know(['files' => ['nowhere/b.json' => ['a' => 1], 'nowhere/a.json' => []], 'rows' => []]);
        self::assertSame(['a' => 1], DataFile::read('nowhere/b.json'));
        self::assertSame(['a', 'b'], DataFile::names(DataFile::folder().'/nowhere'));
    }
}
