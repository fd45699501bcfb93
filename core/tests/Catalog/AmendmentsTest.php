<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Catalog;

use FallBend\Core\Catalog\Amendments;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\OwnNumbers;
use FallBend\Core\Catalog\RulebookOverride;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Tests\Network\CaseJob;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What is otherwise in a town stands over its book and over the crew's own, and says whose it is. */
final class AmendmentsTest extends TestCase
{
    private const SAID = [
        'name' => 'Millbrook',
        'rulebook' => 'ipc-2021',
        'said_by' => 'the building office',
        'said_on' => '2026-11-20',
        'rows' => [
            ['threshold' => 'valve.taken', 'value' => 0.0, 'note' => 'Ordinance 12.'],
            ['threshold' => 'vent.above-roof', 'value' => 305.0],
        ],
    ];

    public function testWhatIsReadIsWritten(): void
    {
        $read = Amendments::read(Fields::of(self::SAID), Catalogue::shipped());
        self::assertSame(self::SAID, $read->toArray());
        self::assertSame(
            'Millbrook, the building office, 2026-11-20. Ordinance 12.',
            $read->overrides()[0]->source,
        );
    }

    /** @return iterable<string, array{string, mixed, string}> field, what is said of it, where it is wrong */
    public static function wrong(): iterable
    {
        yield 'no name' => ['name', '  ', 'name'];
        yield 'no such book' => ['rulebook', 'ipc-1066', 'rulebook'];
        yield 'nobody said so' => ['said_by', '', 'said_by'];
        yield 'no day' => ['said_on', '2026-02-30', 'said_on'];
        yield 'no such threshold' => ['rows', [['threshold' => 'vent.colour', 'value' => 1]], 'rows.0.threshold'];
        yield 'a bend has no value' => [
            'rows',
            [['threshold' => 'turn.quarter.level-level', 'value' => 1]],
            'rows.0.threshold',
        ];
        yield 'out of range' => ['rows', [['threshold' => 'vent.above-roof', 'value' => -4]], 'rows.0.value'];
        yield 'one twice' => [
            'rows',
            [['threshold' => 'valve.taken', 'value' => 0], ['threshold' => 'valve.taken', 'value' => 1]],
            'rows.1.threshold',
        ];
        yield 'a field that is not known' => ['valid_until', '2030', 'valid_until'];
    }

    #[DataProvider('wrong')]
    public function testWhatIsWrongIsSaidAtItsPlace(string $field, mixed $said, string $at): void
    {
        try {
            Amendments::read(Fields::of([$field => $said] + self::SAID), Catalogue::shipped());
        } catch (BadInput $bad) {
            self::assertSame($at, $bad->field);

            return;
        }
        self::fail('it was taken');
    }

    public function testAJobIsJudgedByTheBookWithThem(): void
    {
        $catalogue = Catalogue::shipped();
        $file = new JobFile($catalogue);
        $runs = [
            'main' => ['lavatory', 'north 40 fall 1/4 / down 40 / north 60 fall 1/4', 'socket', ['use' => 'drain']],
            'v' => ['vent off main 2 turn', 'up 90', 'roof roof=200 away=5000'],
        ];
        $document = $file->document(CaseJob::of('ipc-2021', $runs));
        $found = static fn (array $document): array => CaseJob::findings(
            $file->parse(json_encode($document, JSON_THROW_ON_ERROR)),
        );
        self::assertSame([], $found($document));
        $amended = $document + ['amendments' => self::SAID];
        self::assertSame(['vent.terminalLow@v'], $found($amended));
        $job = $file->parse(json_encode($amended, JSON_THROW_ON_ERROR));
        self::assertSame(self::SAID, $file->document($job)['amendments'], 'they are in its file');
        // The crew's own stand under them, the job's own over them.
        $own = new OwnNumbers(rulebook: [new RulebookOverride('ipc-2021', 'vent.above-roof', 500.0, 'ours')]);
        $book = (new JobEvaluator($catalogue))->evaluate($job, null, $own)->book;
        self::assertSame(305.0, $book->threshold('vent.above-roof')?->value);
        self::assertSame('IPC 2021 with Millbrook', $book->name);
        self::assertStringContainsString('ours', $book->threshold('vent.above-roof')->provenance->note);
        $amended['overrides']['rulebook'] = [
            ['rulebook' => 'ipc-2021', 'threshold' => 'vent.above-roof', 'value' => 180.0],
        ];
        self::assertSame([], $found($amended));
        // Under another book they hold no more.
        self::assertNull($job->under('irc-2021')->amendments);
        self::assertSame('Millbrook', $job->withRuns([])->amendments?->name);
        $this->expectExceptionMessage('is not the book of the job');
        $found(['rulebook' => 'irc-2021'] + $amended);
    }

    public function testWhatABookLeavesOpenMayBeSaid(): void
    {
        $said = ['rulebook' => 'upc-2021', 'rows' => [['threshold' => 'venting.combination', 'value' => 1.0]]];
        $read = Amendments::read(Fields::of($said + self::SAID), Catalogue::shipped());
        $book = Catalogue::shipped()->rulebook('upc-2021')->amended($read->name, $read->overrides());
        self::assertTrue($book->allows('venting.combination'));
    }
}
