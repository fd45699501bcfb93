<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Site;

use DateTimeImmutable;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\OnSite;
use FallBend\Core\Site\Entry;
use FallBend\Core\Site\EntryFile;
use FallBend\Core\Site\EntryKind;
use FallBend\Core\Site\MovedIntoLog;
use FallBend\Core\Site\SiteLog;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What a plan is held against: what was cut, printed, levelled and measured, as the log has it. */
final class OnSiteTest extends TestCase
{
    private const CUT = ['run' => 'a', 'piece' => 'l1.1'];

    private const LEVEL = ['run' => 'a', 'leg' => 'l1', 'at_mm' => 300.0];

    /** @param list<array{EntryKind, array<string, mixed>}> $said */
    private static function of(array $said): OnSite
    {
        $entries = [];
        foreach ($said as $n => [$kind, $content]) {
            $read = EntryFile::read($kind, Fields::of($content));
            $entries[] = new Entry($n + 1, "key-{$n}", $kind, $read, new DateTimeImmutable, 'Anna');
        }

        return (new SiteLog($entries, new DateTimeImmutable))->onSite();
    }

    public function testWhatWasSaidLastOfAThingStands(): void
    {
        $site = self::of([
            [EntryKind::Cut, self::CUT + ['length_mm' => 500]],
            [EntryKind::Cut, ['piece' => 'l2.1', 'length_mm' => 70] + self::CUT],
            [EntryKind::Cut, self::CUT + ['length_mm' => 503, 'entry' => 1]],
            [EntryKind::Level, self::LEVEL + ['below_mm' => 101]],
            [EntryKind::Level, ['at_mm' => 300.4, 'below_mm' => 99] + self::LEVEL],
            [EntryKind::Level, ['at_mm' => 900.0, 'below_mm' => 88] + self::LEVEL],
            [EntryKind::Measured, ['standing' => 'tee', 'evidence' => ['od_mm' => 48, 'reading_error_mm' => 1]]],
            [EntryKind::Measured, ['standing' => 'tee', 'evidence' => ['od_mm' => 49, 'reading_error_mm' => 1]]],
            [EntryKind::Printed, ['run' => 'a', 'on' => '2026-11-20', 'pieces' => [], 'letters' => []]],
            [
                EntryKind::Printed,
                ['run' => 'a', 'on' => '2026-11-21', 'pieces' => ['l1.1' => 4], 'letters' => ['l1.1' => 'A']],
            ],
        ]);
        self::assertEquals(['a' => ['l1.1' => 503.0, 'l2.1' => 70.0]], $site->cut);
        self::assertEquals(
            [
                ['leg' => 'l1', 'at_mm' => 300.4, 'below_mm' => 99.0],
                ['leg' => 'l1', 'at_mm' => 900.0, 'below_mm' => 88.0],
            ],
            $site->levels['a'] ?? null,
        );
        self::assertEquals(['tee' => ['od_mm' => 49.0, 'reading_error_mm' => 1.0]], $site->measured);
        self::assertSame('2026-11-21', $site->printed['a']->on ?? null);
        self::assertEquals(['l1.1' => ['letter' => 'A', 'length_mm' => 4.0]], $site->printed['a']->pieces ?? null);
    }

    public function testWhatWasNoneAfterAllStandsNoMore(): void
    {
        $of = ['standing' => 'tee'];
        $site = self::of([
            [EntryKind::Cut, self::CUT + ['length_mm' => 500]],
            [EntryKind::Cut, self::CUT + ['entry' => 1]],
            [EntryKind::Level, self::LEVEL + ['below_mm' => 101]],
            [EntryKind::Level, self::LEVEL],
            [EntryKind::Measured, $of + ['evidence' => ['od_mm' => 48, 'reading_error_mm' => 1]]],
            [EntryKind::Measured, $of],
        ]);
        self::assertTrue($site->isNothing());
    }

    public function testWhereAnEntryIsTakenBackTheOneBeforeItStands(): void
    {
        $site = self::of([
            [EntryKind::Cut, self::CUT + ['length_mm' => 500]],
            [EntryKind::Cut, self::CUT + ['length_mm' => 503]],
            [EntryKind::TakenBack, ['entry' => 2]],
        ]);
        self::assertEquals(['a' => ['l1.1' => 500.0]], $site->cut);
    }

    public function testWhatStoodInADocumentStandsInTheLogTheSame(): void
    {
        $site = OnSite::ofVersion3(Fields::of(self::version3()));
        self::assertFalse($site->isNothing());
        $said = array_map(
            static fn (array $one): array => [$one['kind'], $one['content']],
            MovedIntoLog::entries($site),
        );
        self::assertCount(5, $said);
        self::assertEquals($site, self::of($said));
    }

    public function testTheSameDocumentSaysTheSameEntries(): void
    {
        $keys = static fn (array $document): array => array_column(
            MovedIntoLog::entries(OnSite::ofVersion3(Fields::of($document))),
            'key',
        );
        self::assertSame($keys(self::version3()), $keys(self::version3()));
        self::assertSame(array_unique($keys(self::version3())), $keys(self::version3()));
        $other = self::version3();
        $other['cutting']['cut'][0]['length_mm'] = 501;
        self::assertCount(1, array_diff($keys($other), $keys(self::version3())), 'what is other is another entry');
    }

    /** @return array<string, mixed> */
    private static function version3(): array
    {
        return [
            'version' => 3,
            'runs' => [['id' => 'a'], ['id' => 'b']],
            'standing' => [
                ['id' => 'tee', 'evidence' => ['od_mm' => 48.4, 'reading_error_mm' => 0.8, 'magnet' => true]],
                ['id' => 'stub'],
            ],
            'hanging' => [
                ['run' => 'b', 'readings' => [['leg' => 'l1', 'at_mm' => 300, 'below_mm' => 101]]],
                ['run' => 'a', 'swing_c' => 5],
            ],
            'cutting' => [
                'kerf_mm' => 2,
                'cut' => [
                    ['run' => 'a', 'piece' => 'l1.1', 'length_mm' => 500],
                    ['run' => 'b', 'piece' => 'l1.1', 'length_mm' => 70.5],
                ],
                'printed' => [
                    [
                        'run' => 'a',
                        'on' => '2026-11-20',
                        'pieces' => [['piece' => 'l1.1', 'letter' => 'A', 'length_mm' => 500]],
                    ],
                ],
            ],
        ];
    }

    /** @return iterable<string, array{array<string, mixed>, string}> what is other in the document, the wrong place */
    public static function wrong(): iterable
    {
        $cut = ['run' => 'a', 'piece' => 'l1.1', 'length_mm' => 500];
        $ticket = ['run' => 'a', 'on' => '2026-11-20', 'pieces' => []];
        $level = ['leg' => 'l1', 'at_mm' => 300, 'below_mm' => 101];
        yield 'a piece twice' => [['cutting' => ['cut' => [$cut, $cut]]], 'cutting.cut.1.piece'];
        yield 'a run that is not there' => [['cutting' => ['cut' => [['run' => 'z'] + $cut]]], 'cutting.cut.0.run'];
        yield 'no length' => [['cutting' => ['cut' => [['length_mm' => 0] + $cut]]], 'cutting.cut.0.length_mm'];
        yield 'a ticket twice' => [['cutting' => ['printed' => [$ticket, $ticket]]], 'cutting.printed.1.run'];
        yield 'no day' => [['cutting' => ['printed' => [['on' => 'today'] + $ticket]]], 'cutting.printed.0.on'];
        yield 'a level without a place' => [
            ['hanging' => [['run' => 'a', 'readings' => [['at_mm' => -1] + $level]]]],
            'hanging.0.readings.0.at_mm',
        ];
        yield 'evidence of nothing' => [
            ['standing' => [['id' => 'tee', 'evidence' => ['magnet' => true]]]],
            'standing.0.evidence.od_mm',
        ];
    }

    /** @param array<string, mixed> $with */
    #[DataProvider('wrong')]
    public function testWhatIsWrongInADocumentIsSaidAtItsPlace(array $with, string $place): void
    {
        try {
            OnSite::ofVersion3(Fields::of($with + self::version3()));
            self::fail('it was taken');
        } catch (BadInput $bad) {
            self::assertSame($place, $bad->field);
        }
    }
}
