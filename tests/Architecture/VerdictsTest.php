<?php

declare(strict_types=1);

namespace Tests\Architecture;

use FallBend\Core\Verdict\RuleId;
use FilesystemIterator;
use PHPUnit\Framework\TestCase;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use SplFileInfo;

/** A verdict is raised in one class: whoever else wants it asks that class. */
final class VerdictsTest extends TestCase
{
    public function testEveryVerdictIsRaisedInOneClass(): void
    {
        $raised = [];
        foreach (
            new RecursiveIteratorIterator(
                new RecursiveDirectoryIterator(dirname(__DIR__, 2).'/core/src', FilesystemIterator::SKIP_DOTS),
            ) as $file
        ) {
            if ($file instanceof SplFileInfo && $file->getFilename() !== 'RuleId.php') {
                preg_match_all('/RuleId::([A-Z]\w+)/', (string) file_get_contents($file->getPathname()), $found);
                foreach (array_unique($found[1]) as $case) {
                    $raised[$case][] = $file->getBasename('.php');
                }
            }
        }
        self::assertSame(
            [],
            array_filter($raised, static fn (array $classes): bool => count($classes) > 1),
            'raised in more than one',
        );
        self::assertSame(
            [],
            array_values(array_diff(array_column(RuleId::cases(), 'name'), array_keys($raised))),
            'raised in none',
        );
    }
}
