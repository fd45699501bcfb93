<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Log\JobLog;
use App\Log\MoveIntoLog;
use App\Models\Job;
use App\Models\LogEntry;
use App\Models\Revision;
use FallBend\Core\Job\OnSite;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\Response;
use Tests\Support\FreshTables;
use Tests\TestCase;
use Tests\TwoCrews;

/** What was cut, printed, levelled and measured stands in the log, whichever way it came there. */
final class OnSiteTest extends TestCase
{
    use FreshTables;
    use TwoCrews;

    private const RUN = 'clay-wash';

    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->lead);
    }

    public function testWhatIsSaidInTheLogIsWhatThePlanIsHeldAgainst(): void
    {
        $id = $this->start(self::demo());
        $cut = $this->asked($id, 'cut');
        [$first, $second] = [$cut->json('pieces.0'), $cut->json('pieces.1')];
        self::assertFalse($first['cut']);
        $hanger = self::rows($this->asked($id, 'hang')->json('hangers'))->whereNotNull('below_string')->first();
        $this->happened($id, [
            ['kind' => 'cut', 'run' => self::RUN, 'piece' => $first['key'], 'length_mm' => $first['now']['mm'] + 6],
            [
                'kind' => 'printed',
                'run' => self::RUN,
                'on' => '2026-11-25',
                'pieces' => [$second['key'] => $second['now']['mm'] + 20, 'l9.1' => 300],
                'letters' => [$second['key'] => 'B', 'l9.1' => 'Q'],
            ],
            [
                'kind' => 'level',
                'run' => self::RUN,
                'leg' => $hanger['leg_id'],
                'at_mm' => $hanger['at']['mm'],
                'below_mm' => $hanger['below_string']['mm'] + 3,
            ],
        ]);
        $after = $this->asked($id, 'cut');
        self::assertTrue($after->json('pieces.0.cut'));
        self::assertEqualsWithDelta(6.0, $after->json('pieces.0.moved_mm'), 1e-6);
        self::assertSame(['on' => '2026-11-25', 'gone' => ['Q']], $after->json('printed'));
        self::assertSame('other', $after->json('pieces.1.since'));
        $read = self::rows($this->asked($id, 'hang')->json('hangers'))->firstWhere('number', $hanger['number']);
        self::assertEqualsWithDelta(3.0, $read['off_mm'], 1e-6);
        // It is no part of the document, whichever way that comes back.
        $document = $this->getJson("/api/jobs/{$id}")->json('document');
        self::assertStringNotContainsString('length_mm":'.($first['now']['mm'] + 6), (string) json_encode($document));
        $this->happened($id, [['kind' => 'cut', 'run' => self::RUN, 'piece' => $first['key'], 'entry' => 1]]);
        self::assertFalse($this->asked($id, 'cut')->json('pieces.0.cut'));
    }

    public function testWhatIsCutIsShownWhileALegIsCalledOutToo(): void
    {
        $id = $this->start(self::demo());
        $this->happened($id, [['kind' => 'cut', 'run' => self::RUN, 'piece' => 'l1.1', 'length_mm' => 281.5]]);
        $part = 'cut:'.self::RUN;
        $answer = $this->postJson('/api/evaluate', [
            'job' => $id,
            'document' => self::demo(),
            'call_out' => ['run' => 'mop', 'text' => 'down 20 / left 40'],
            'want' => [$part => ''],
        ])->assertOk();
        self::assertTrue($answer->json('parts')[$part]['value']['pieces'][0]['cut']);
    }

    public function testAnEntryStandsInThePlaceOfOneThatIsThere(): void
    {
        $id = $this->start(self::demo());
        $this->postJson("/api/jobs/{$id}/log", [
            'device' => 'x',
            'entries' => [
                [
                    'key' => 'cut-000001',
                    'kind' => 'cut',
                    'run' => self::RUN,
                    'piece' => 'l1.1',
                    'entry' => 4,
                    'made_at' => 'x',
                    'age_s' => 0,
                ],
            ],
        ])->assertStatus(422)->assertJsonStructure(['errors' => ['entries.0.entry']]);
    }

    public function testANewRunIsNotTakenForOneThatIsGone(): void
    {
        $document = self::demo();
        $id = $this->start($document);
        $mop = array_values(array_filter($document['runs'], static fn (array $run): bool => $run['id'] === 'mop'))[0];
        $this->happened($id, [['kind' => 'joint', 'run' => 'lav-two', 'joint' => 1]]);
        $said = fn (string $id): string => (string) self::rows(
            $this->postJson('/api/evaluate', [
                'job' => $id,
                'document' => self::demo(),
                'call_out' => ['run' => '+', 'text' => 'lav two: lavatory 1-1/2 / east 30 fall 1/4 / into stack 40'],
            ])->assertOk()->json('document.runs'),
        )->last()['id'];
        $other = $this->start($document);
        self::assertSame('lav-two', $said($other), 'as it would be called');
        self::assertSame('lav-two-2', $said($id), 'the log speaks of one that was there');
        // A copy takes none of those either.
        $this->happened($id, [['kind' => 'cut', 'run' => 'mop-2', 'piece' => 'l1.1', 'length_mm' => 300]]);
        $copied = $this->postJson('/api/repeat', [
            'job' => $id,
            'document' => $document,
            'run' => $mop['id'],
            'step_mm' => 500,
            'times' => 1,
        ])->assertOk()->json('document.runs');
        self::assertNotContains('mop-2', array_column($copied, 'id'));
        self::assertContains('mop-3', array_column($copied, 'id'));
    }

    public function testTheBoardCountsWhatIsCut(): void
    {
        $id = $this->start(self::demo());
        $run = $this->summary($id)['run'];
        $part = "run:{$run['id']}";
        $pieces = $this->getJson("/api/jobs/{$id}?want={$part}")->json("parts.{$part}.value.pieces");
        $cut = ['kind' => 'cut', 'run' => $run['id'], 'piece' => $pieces[0]['key'], 'length_mm' => 100];
        $this->happened($id, [$cut]);
        self::assertSame($run['counts']['pieces_to_cut'] - 1, $this->summary($id)['run']['counts']['pieces_to_cut']);
        $this->happened($id, [['kind' => 'taken-back', 'entry' => 1]]);
        self::assertSame($run['counts']['pieces_to_cut'], $this->summary($id)['run']['counts']['pieces_to_cut']);
    }

    public function testWhatADocumentOfVersion3SaysIsSaidInTheLogOnce(): void
    {
        $id = $this->start(self::version3());
        self::assertSame(['printed', 'cut', 'level', 'measured'], $this->kinds($id));
        self::assertTrue($this->asked($id, 'cut')->json('pieces.0.cut'));
        self::assertSame([], JobLog::faults(Job::query()->findOrFail($id)));
        // A page of the release before sends what stands there, and what was done since.
        $sent = self::version3();
        $sent['cutting']['cut'][] = ['run' => self::RUN, 'piece' => 'l2.1', 'length_mm' => 1_000];
        $kept = $this->putJson("/api/jobs/{$id}", ['from' => 1, 'gesture' => 'g', 'document' => $sent])->assertOk();
        self::assertSame(4, $kept->json('document.version'));
        self::assertSame(['printed', 'cut', 'level', 'measured', 'cut'], $this->kinds($id));
        // What was taken back since stays so.
        $this->happened($id, [['kind' => 'cut', 'run' => self::RUN, 'piece' => 'l1.1', 'entry' => 2]]);
        $this->putJson("/api/jobs/{$id}", ['from' => 2, 'gesture' => 'h', 'document' => $sent])->assertOk();
        self::assertSame(['l2.1'], array_keys(JobLog::onSite($id)->cut[self::RUN] ?? []));
    }

    public function testStepsBackLeaveWhatWasDoneAlone(): void
    {
        $id = $this->start(self::version3());
        $this->putJson("/api/jobs/{$id}", [
            'from' => 1,
            'gesture' => 'g',
            'document' => ['place' => 'Elsewhere'] + self::demo(),
        ])->assertOk();
        $this->happened($id, [['kind' => 'cut', 'run' => self::RUN, 'piece' => 'l1.1', 'entry' => 2]]);
        $this->postJson("/api/jobs/{$id}/undo", ['from' => 2])->assertOk();
        self::assertSame([], JobLog::onSite($id)->cut);
        self::assertSame(5, LogEntry::query()->count());
    }

    public function testTheMigrationMovesWhatStandsInStoredDocuments(): void
    {
        $id = $this->start(self::demo());
        $text = json_encode(self::version3(), JSON_THROW_ON_ERROR);
        Revision::query()->where('job_id', $id)->update(['document' => $text, 'packed' => null]);
        $unreadable = $this->start(self::demo());
        $bad = ['cutting' => 3] + self::version3();
        Revision::query()->where('job_id', $unreadable)->update(['document' => json_encode($bad), 'packed' => null]);
        $file = '2026_11_30_000004_move_what_was_done_into_the_log.php';
        $migration = require database_path("migrations/{$file}");
        // Back to before it, and what came after it.
        $from = array_filter(
            glob(database_path('migrations/*.php')) ?: [],
            static fn (string $one): bool => basename($one) >= $file,
        );
        Artisan::call('migrate:rollback', ['--step' => count($from)]);
        Artisan::call('migrate');
        self::assertSame(['printed', 'cut', 'level', 'measured'], $this->kinds($id));
        self::assertSame('job file of version 3', LogEntry::query()->firstOrFail()->device);
        self::assertTrue($this->asked($id, 'cut')->json('pieces.0.cut'));
        self::assertSame(4, $this->getJson("/api/jobs/{$id}")->assertOk()->json('document.version'));
        self::assertSame([], $this->kinds($unreadable));
        // What is cut and printed keeps what is written on it; every other run has a figure of its own since.
        $runs = array_column($this->getJson("/api/jobs/{$id}")->json('evaluation.runs'), null, 'id');
        self::assertSame([0, 'A', '1'], [
            $runs[self::RUN]['figure'],
            $runs[self::RUN]['pieces'][0]['letter'],
            $runs[self::RUN]['joints'][0]['mark'],
        ]);
        $figures = array_diff(array_column($runs, 'figure'), [0]);
        self::assertCount(count($runs) - 1, array_unique($figures));
        self::assertSame("{$runs['glaze']['figure']}A", $runs['glaze']['pieces'][0]['letter']);
        // An earlier release could not read what stands in the log now.
        try {
            $migration->down();
            self::fail('it went down');
        } catch (\RuntimeException $refused) {
            self::assertStringContainsString('cuts and readings', $refused->getMessage());
        }
    }

    public function testTheFileHasTheLogAndItsLogIsTheLogOfTheJobThatIsMadeOfIt(): void
    {
        $id = $this->start(self::version3());
        $this->happened($id, [
            ['kind' => 'joint', 'run' => self::RUN, 'joint' => 2, 'note' => 'Schräg, “5/8”.'],
            ['kind' => 'signed', 'name' => 'R. Halloway', 'role' => 'lead hand'],
            ['kind' => 'taken-back', 'entry' => 2],
        ]);
        $text = (string) $this->get("/api/jobs/{$id}/file")->assertOk()->getContent();
        $made = $this->actingAs($this->stranger)->postJson('/api/jobs/import', ['text' => $text])->assertCreated();
        $other = (string) $made->json('id');
        self::assertSame($this->kinds($id), $this->kinds($other));
        self::assertEquals(JobLog::onSite($id), JobLog::onSite($other));
        self::assertSame([], JobLog::faults(Job::query()->findOrFail($other)));
        [$before, $after] = [LogEntry::query()->where('job_id', $id)->get(), $this->log($other)];
        self::assertSame('lead (brought in by stranger)', $after[4]['by']);
        self::assertSame('Schräg, “5/8”.', $after[4]['note']);
        self::assertSame($before->pluck('happened_at')->all(), array_column($after, 'happened_at'));
        self::assertSame($before->pluck('key')->all(), array_column($after, 'key'));
        $signed = $this->postJson('/api/record', ['job' => $other, 'document' => $made->json('document')])->assertOk();
        self::assertSame([[true, false]], array_map(
            static fn (array $one): array => [$one['brought'], $one['holds']],
            $signed->json('signatures'),
        ));
        // And so on, from file to file.
        $again = (string) $this->get("/api/jobs/{$other}/file")->assertOk()->getContent();
        $third = $this->postJson('/api/jobs/import', ['text' => $again])->assertCreated()->json('id');
        self::assertIsString($third);
        self::assertSame('lead (brought in by stranger)', $this->log($third)[4]['by']);
        $this->happened($third, [['kind' => 'note', 'note' => 'Goes on.']]);
        self::assertSame([], JobLog::faults(Job::query()->findOrFail($third)));
    }

    /** @return iterable<string, array{callable(array<string, mixed>): array<string, mixed>, string}> */
    public static function otherLogs(): iterable
    {
        $entry = static fn (int $n, string $field, mixed $value): callable => static function (array $log) use (
            $n,
            $field,
            $value,
        ): array {
            $log['entries'][$n][$field] = $value;

            return $log;
        };
        $said = static fn (array $log): array => array_replace_recursive($log, [
            'entries' => [1 => ['said' => ['length_mm' => 99]]],
        ]);
        yield 'another length' => [$said, 'log.entries.1.hash'];
        yield 'another time' => [$entry(2, 'happened_at', '2026-11-25T09:40:00.000Z'), 'log.entries.2.hash'];
        yield 'no time' => [$entry(2, 'happened_at', 'this morning'), 'log.entries.2.happened_at'];
        yield 'another hash' => [$entry(0, 'hash', str_repeat('0', 64)), 'log.entries.0.hash'];
        yield 'another number' => [$entry(0, 'number', 2), 'log.entries.0.number'];
        yield 'another kind' => [$entry(1, 'kind', 'note'), 'log.entries.1.said.note'];
        yield 'a kind that nobody knows' => [$entry(1, 'kind', 'party'), 'log.entries.1.kind'];
        yield 'a key that stands twice' => [
            static function (array $log): array {
                [$first, $second] = $log['entries'];
                $log['entries'][1]['key'] = $first['key'];
                $entry = new LogEntry([
                    'job_id' => $log['job'],
                    'number' => 2,
                    'key' => $first['key'],
                    'kind' => $second['kind'],
                    'content' => json_encode($second['said'], JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES),
                    'author_id' => $second['author'],
                    'device' => $second['device'],
                    'made_at' => $second['made_at'],
                    'happened_at' => $second['happened_at'],
                    'kept_at' => $second['kept_at'],
                    'previous' => $first['hash'],
                ]);
                $log['entries'][1]['hash'] = $entry->reckonedHash();

                return $log;
            },
            'log.entries.1.key',
        ];
        yield 'more than it says' => [
            static fn (array $log): array => array_replace_recursive($log, [
                'entries' => [1 => ['said' => ['colour' => 'red']]],
            ]),
            'log.entries.1.said.colour',
        ];
        yield 'of another job' => [static fn (array $log): array => ['job' => 'x'] + $log, 'log.entries.0.hash'];
        yield 'one left out' => [
            static fn (array $log): array => ['entries' => array_values(array_diff_key($log['entries'], [1 => 0]))] +
                $log,
            'log.entries.1.number',
        ];
    }

    /** @param callable(array<string, mixed>): array<string, mixed> $change */
    #[DataProvider('otherLogs')]
    public function testALogThatWasChangedIsRefusedAtItsPlace(callable $change, string $place): void
    {
        $id = $this->start(self::version3());
        $file = json_decode((string) $this->get("/api/jobs/{$id}/file")->getContent(), true, 64, JSON_THROW_ON_ERROR);
        $file['log'] = $change($file['log']);
        $answer = $this->postJson('/api/jobs/import', ['text' => json_encode($file)])->assertStatus(422);
        self::assertSame([$place], array_keys((array) $answer->json('errors')));
        self::assertSame(1, Job::query()->count());
        unset($file['log']);
        $this->postJson('/api/jobs/import', ['text' => json_encode($file)])->assertCreated();
    }

    public function testWhatStoodInADocumentIsSaidOnceHoweverOftenItIsMoved(): void
    {
        $id = $this->start(self::demo());
        $keys = array_map(static fn (int $n): string => "l{$n}.1", range(1, 700));
        $site = new OnSite(['a' => array_fill_keys($keys, 9.5)]);
        $job = Job::query()->findOrFail($id);
        app(MoveIntoLog::class)->move($job, $this->lead, $site);
        app(MoveIntoLog::class)->move($job, $this->stranger, $site, 60.0);
        self::assertSame(700, LogEntry::query()->count());
        self::assertSame([], JobLog::faults($job));
    }

    public function testAChangeToWhatIsJoinedIsSaidWhereItIsMade(): void
    {
        $id = $this->start(self::demo());
        $piece = $this->asked($id, 'cut')->json('pieces.1');
        $this->happened($id, [
            [
                'kind' => 'joint',
                'run' => self::RUN,
                'joint' => 3,
                'method' => 'solvent-pvc',
                'pieces' => [$piece['key'] => $piece['planned']['mm']],
            ],
        ]);
        $joined = fn (array $document): array => $this->postJson('/api/joined', [
            'job' => $id,
            'document' => $document,
            'run' => self::RUN,
        ])->assertOk()->json('findings');
        self::assertSame([], $joined(self::demo()));
        $longer = self::demo();
        foreach ($longer['runs'] as $n => $run) {
            if ($run['id'] === self::RUN) {
                $longer['runs'][$n]['legs'][1]['length_mm'] += 100;
            }
        }
        $findings = $joined($longer);
        self::assertSame(['stop'], array_unique(array_column($findings, 'severity')));
        self::assertStringStartsWith('glued.', $findings[0]['rule']);
        self::assertShape('Finding', (string) json_encode($findings[0]));
        $this->actingAs($this->stranger)
            ->postJson('/api/joined', ['job' => $id, 'document' => $longer, 'run' => self::RUN])
            ->assertNotFound();
    }

    /** @return list<string> */
    private function kinds(string $id): array
    {
        $entries = LogEntry::query()->where('job_id', $id)->orderBy('number')->get();

        return array_values($entries->map(static fn (LogEntry $entry): string => $entry->kind)->all());
    }

    /** @return list<array<string, mixed>> */
    private function log(string $id): array
    {
        return $this->getJson("/api/jobs/{$id}/log")->assertOk()->json('entries');
    }

    /** @return array<string, mixed> */
    private function summary(string $id): array
    {
        return self::rows($this->getJson('/api/jobs')->json('jobs'))->firstWhere('id', $id)['summary'];
    }

    /** @param array<string, mixed> $document */
    private function start(array $document): string
    {
        return (string) $this->postJson('/api/jobs', ['document' => $document])->assertCreated()->json('id');
    }

    /** @return TestResponse<Response> */
    private function asked(string $id, string $what): TestResponse
    {
        $asked = ['job' => $id, 'document' => self::demo(), 'run' => self::RUN];

        return $this->postJson("/api/{$what}", $asked)->assertOk();
    }

    /** @return array<string, mixed> the demo as the release before wrote it, with something done */
    private static function version3(): array
    {
        $document = array_diff_key(['version' => 3] + self::demo(), ['next_figure' => 0]);
        foreach ($document['runs'] as $n => $run) {
            unset($document['runs'][$n]['marks']['figure']);
        }
        $document['cutting'] = [
            'cut' => [['run' => self::RUN, 'piece' => 'l1.1', 'length_mm' => 281.5]],
            'printed' => [
                [
                    'run' => self::RUN,
                    'on' => '2026-11-20',
                    'pieces' => [['piece' => 'l2.1', 'letter' => 'B', 'length_mm' => 1_000]],
                ],
            ],
        ];
        $document['hanging'][0]['readings'] = [['leg' => 'l4', 'at_mm' => 304.8, 'below_mm' => 101.6]];
        $document['standing'][0]['evidence'] = ['circumference_mm' => 184.15, 'reading_error_mm' => 3.175];

        return $document;
    }
}
