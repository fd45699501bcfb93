<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Guide;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\FixtureKind;
use FallBend\Core\Guide\RuleBookPages;
use FallBend\Core\Guide\RulePage;
use FallBend\Core\Verdict\Wording;
use PHPUnit\Framework\TestCase;

final class RuleBookPagesTest extends TestCase
{
    private const FOLDER = __DIR__.'/../../../docs/rulebooks';

    public function testWhatStandsInTheDocumentsIsWhatTheDataGives(): void
    {
        $files = (new RuleBookPages(Catalogue::shipped()))->files();
        foreach ($files as $name => $text) {
            self::assertSame(
                $text,
                is_file(self::FOLDER."/{$name}") ? file_get_contents(self::FOLDER."/{$name}") : null,
                "{$name}: run php artisan rules:pages",
            );
        }
        $there = array_map(basename(...), glob(self::FOLDER.'/*') ?: []);
        self::assertSame([], array_values(array_diff($there, array_keys($files))), 'nothing is left over');
    }

    public function testEveryVerdictStandsOnOnePage(): void
    {
        $stands = array_merge(...array_map(static fn (RulePage $page): array => $page->rules, RulePage::all()));
        self::assertSame($stands, array_values(array_unique($stands)));
        self::assertEqualsCanonicalizing(Wording::rules(), $stands);
    }

    public function testEveryThresholdStandsOnOnePageAndIsReadBySomeRule(): void
    {
        $catalogue = Catalogue::shipped();
        $topics = [];
        foreach ($catalogue->rulebookKeys() as $key) {
            foreach ($catalogue->rulebook($key)->thresholds() as $threshold) {
                $topics[$threshold->topic] = true;
            }
        }
        $stands = array_merge(...array_map(static fn (RulePage $page): array => $page->topics, RulePage::all()));
        self::assertSame($stands, array_values(array_unique($stands)));
        self::assertEqualsCanonicalizing(array_keys($topics), $stands);
        $code = '';
        foreach (
            new \RecursiveIteratorIterator(
                new \RecursiveDirectoryIterator(__DIR__.'/../../src', \FilesystemIterator::SKIP_DOTS),
            ) as $file
        ) {
            $code .= file_get_contents((string) $file);
        }
        // Some are asked for by a name that is put together: `"tailpiece.{$way}-most"`.
        preg_match_all('/\("([a-z-]+\.(?:[a-z.-]|\{[^}]+\})+)"/', $code, $m);
        $patterns = array_map(
            static fn (string $name): string => '/^'.
                preg_replace('/\\\\\{.*?\\\\\}/', '[a-z.-]*', preg_quote($name, '/')).
                '$/',
            array_unique($m[1]),
        );
        self::assertSame(
            [],
            array_filter($patterns, static fn (string $pattern): bool => preg_match($pattern, 'no.such-topic') === 1),
            'no name matches everything',
        );
        foreach ($stands as $topic) {
            $isMade =
                array_filter(
                    $patterns,
                    static fn (string $pattern): bool => preg_match(
                        $pattern,
                        $topic === 'trap.kind' || $topic === 'turn.pattern' ? "{$topic}.x" : $topic,
                    ) === 1,
                ) !== [];
            self::assertTrue(
                str_contains($code, "'{$topic}'") || $isMade || $topic === 'turn.pattern',
                "nothing reads {$topic}",
            );
        }
    }

    public function testAPageShowsEveryRulebookWithItsSource(): void
    {
        $page = (new RuleBookPages(Catalogue::shipped()))->files()['arm-length.md'];
        self::assertStringContainsString(
            '| IPC 2021 | 1-1/2 | 1828.8 mm (72 in) | IPC table 909.1. | high, stated |',
            $page,
        );
        self::assertStringContainsString(
            '| UPC 2021 | 1-1/2 | 1066.8 mm (42 in) | UPC table 1002.2. | high, stated |',
            $page,
        );
        self::assertStringContainsString('| AD H 2015 | – | none | – | – |', $page);
        self::assertStringContainsString('`arm.short`', $page);
    }

    public function testPicturesAreWellFormedAndStayOnTheirField(): void
    {
        foreach ((new RuleBookPages(Catalogue::shipped()))->files() as $name => $text) {
            if (! str_ends_with($name, '.svg')) {
                continue;
            }
            $svg = new \DOMDocument;
            self::assertTrue($svg->loadXML($text), $name);
            self::assertGreaterThan(7, $svg->getElementsByTagName('*')->length, "{$name} shows something");
            foreach ($svg->getElementsByTagName('polyline') as $line) {
                foreach (explode(' ', $line->getAttribute('points')) as $point) {
                    [$x, $y] = array_map(floatval(...), explode(',', $point));
                    self::assertTrue($x >= 0 && $x <= 220 && $y >= 0 && $y <= 130, "{$name}: {$point}");
                }
            }
        }
    }

    public function testNoFixtureIsWithoutTheSealOfItsTrap(): void
    {
        $catalogue = Catalogue::shipped();
        foreach ($catalogue->rulebookKeys() as $key) {
            foreach (FixtureKind::cases() as $kind) {
                self::assertNotNull(
                    $catalogue->rulebook($key)->forFixture('trap.seal-least', $kind)?->value,
                    "{$key} {$kind->value}",
                );
            }
        }
    }
}
