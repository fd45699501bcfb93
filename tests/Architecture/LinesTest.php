<?php

declare(strict_types=1);

namespace Tests\Architecture;

use FilesystemIterator;
use PHPUnit\Framework\TestCase;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use SplFileInfo;

/**
 * A line is at most 120 columns wide. Those that are wider become fewer: whoever makes one shorter lowers the count.
 */
final class LinesTest extends TestCase
{
    private const WIDEST = 120;

    /** Lines that are wider: sentences for users, patterns and shapes that are not parted yet. */
    private const WIDER = 157;

    public function testLinesAreNoWiderThanTheyMayBe(): void
    {
        $wider = [];
        foreach (['core', 'app', 'tests', 'resources/js'] as $folder) {
            foreach (self::files(dirname(__DIR__, 2)."/{$folder}") as $path) {
                foreach (explode("\n", (string) file_get_contents($path)) as $n => $line) {
                    if (mb_strlen($line) > self::WIDEST) {
                        $wider[] = substr($path, strlen(dirname(__DIR__, 2)) + 1).':'.($n + 1);
                    }
                }
            }
        }
        self::assertCount(self::WIDER, $wider, implode("\n", $wider));
        $whole = array_filter(
            $wider,
            static fn (string $at): bool => preg_match('~^core/src/(Rules|Network|Layout|Evaluation)/~', $at) === 1,
        );
        self::assertSame([], $whole);
    }

    /** @return list<string> */
    private static function files(string $folder): array
    {
        $files = [];
        foreach (
            new RecursiveIteratorIterator(new RecursiveDirectoryIterator($folder, FilesystemIterator::SKIP_DOTS)) as $file
        ) {
            $isOurs =
                $file instanceof SplFileInfo &&
                preg_match('/\.(php|ts|tsx)$/', $file->getFilename()) === 1 &&
                ! str_contains($file->getFilename(), '.generated.');
            if ($isOurs) {
                $files[] = $file->getPathname();
            }
        }
        sort($files);

        return $files;
    }
}
