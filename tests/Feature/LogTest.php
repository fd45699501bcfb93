<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Log\JobLog;
use App\Models\Crew;
use App\Models\Job;
use App\Models\LogEntry;
use App\Models\User;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\Response;
use Tests\Support\FreshTables;
use Tests\TestCase;
use Tests\TwoCrews;

/** What happened on site is appended, arrives once, and is never changed without being found out. */
final class LogTest extends TestCase
{
    use FreshTables;
    use TwoCrews;

    private string $job;

    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->lead);
        $this->job = (string) $this->postJson('/api/jobs', ['document' => self::demo()])
            ->assertCreated()
            ->json('id');
    }

    public function testEntriesStandInTheOrderInWhichTheyArriveWithBothClocks(): void
    {
        Carbon::setTestNow();
        $answer = $this->append([
            self::made('joint-0001', 2, ['age_s' => 90, 'made_at' => '2026-11-25T07:00:00+01:00']),
            ['key' => 'note-00001', 'kind' => 'note', 'note' => ' The stub is oval. ', 'made_at' => 'x', 'age_s' => 0],
        ])->assertOk();
        self::assertSame([1, 2], array_column($answer->json('entries'), 'number'));
        self::assertSame(2, $answer->json('length'));
        $joint = $answer->json('entries.0');
        self::assertSame(
            ['clay-wash', 2, 'Phone in the cellar', $this->lead->name],
            [$joint['run'], $joint['joint'], $joint['device'], $joint['by']],
        );
        // The clock of the phone is wrong by hours; how long ago it was is right all the same.
        $ago = Carbon::parse($joint['kept_at'])->diffInMilliseconds(Carbon::parse($joint['happened_at']), true);
        self::assertSame(90_000.0, (float) $ago);
        self::assertSame('The stub is oval.', $answer->json('entries.1.note'));
        $read = $this->getJson("/api/jobs/{$this->job}/log?after=1")->assertOk();
        self::assertSame(['note-00001'], array_column($read->json('entries'), 'key'));
        self::assertSame([], JobLog::faults(Job::query()->findOrFail($this->job)));
    }

    public function testWhoeverHasTheJobOpenIsToldOfTheOthers(): void
    {
        $second = self::member(Crew::query()->findOrFail($this->lead->crewId()), 'Ann');
        $ask = fn (User $who, string $here): array => $this->actingAs($who)
            ->getJson("/api/jobs/{$this->job}/log?after=0", ['Here' => $here])
            ->assertOk()
            ->json('here');
        $this->travelTo('2026-12-01 08:00:00');
        self::assertSame([], $ask($this->lead, 'page-of-lead cut'));
        self::assertSame(
            [['name' => $this->lead->name, 'me' => false, 'station' => 'cut']],
            $ask($second, 'page-of-ann glue-up'),
        );
        $this->travel(10)->seconds();
        // Another page of one's own, and a station that changed.
        self::assertSame(
            [
                ['name' => $second->name, 'me' => false, 'station' => 'glue-up'],
                ['name' => $this->lead->name, 'me' => true, 'station' => 'cut'],
            ],
            $ask($this->lead, 'page-two test'),
        );
        $ask($this->lead, 'page-two hang');
        self::assertSame(['cut', 'hang'], array_column($ask($second, 'page-of-ann glue-up'), 'station'));
        // A page that is not heard of any more is closed, and one that says nothing is told nothing.
        $this->travel(16)->seconds();
        self::assertSame([], $ask($second, 'page-of-ann glue-up'));
        foreach (['', 'x', 'page-of-ann <script>', str_repeat('a', 300)] as $said) {
            self::assertSame([], $ask($this->lead, $said));
        }
        $this->actingAs($this->stranger)
            ->getJson("/api/jobs/{$this->job}/log?after=0", ['Here' => 'page-of-none cut'])
            ->assertNotFound();
    }

    public function testAnEntryArrivesOnceHoweverOftenItIsSent(): void
    {
        $first = $this->append([self::made('joint-0001', 2)])->json('entries.0');
        $again = $this->append([self::made('joint-0001', 2), self::made('joint-0002', 3)])->assertOk();
        self::assertSame($first['hash'], $again->json('entries.0.hash'));
        $this->append([self::made('joint-0001', 4)])
            ->assertStatus(422)
            ->assertJsonStructure([
                'errors' => ['entries.0.key'],
            ]);
        self::assertSame(2, LogEntry::query()->count());
    }

    public function testWhatIsWrongInOneKeepsNone(): void
    {
        foreach (
            [
                [['kind' => 'joint', 'joint' => 0] + self::made('joint-0009', 1), 'joint'],
                [['kind' => 'party'] + self::made('joint-0009', 1), 'kind'],
                [['age_s' => -1] + self::made('joint-0009', 1), 'age_s'],
                [['key' => 'short'] + self::made('joint-0009', 1), 'key'],
                [['x' => 1] + self::made('joint-0009', 1), 'x'],
                [
                    ['key' => 'taken-0001', 'kind' => 'taken-back', 'entry' => 9, 'made_at' => 'x', 'age_s' => 0],
                    'entry',
                ],
            ] as [$wrong, $field]
        ) {
            $this->append([self::made('joint-0001', 2), $wrong])
                ->assertStatus(422)
                ->assertJsonStructure([
                    'errors' => ["entries.1.{$field}"],
                ]);
        }
        self::assertSame(0, LogEntry::query()->count());
    }

    public function testALogThatIsFullTakesNoMoreAndSaysSo(): void
    {
        DB::table('jobs')->where('id', $this->job)->update(['log_length' => 19_999]);
        $this->append([self::made('joint-0001', 2)])->assertOk();
        $this->append([self::made('joint-0002', 3)])
            ->assertStatus(422)
            ->assertJsonStructure(['errors' => ['entries.0']]);
        $this->append([self::made('joint-0001', 2)])->assertOk();
    }

    public function testALogOfAnotherCrewIsNotThere(): void
    {
        $this->actingAs($this->stranger);
        $this->append([self::made('joint-0001', 2)])->assertNotFound();
        $this->getJson("/api/jobs/{$this->job}/log")->assertNotFound();
    }

    public function testADayGoesOnFromWhatIsMade(): void
    {
        $day = fn (): TestResponse => $this->postJson('/api/day', [
            'job' => $this->job,
            'document' => self::demo(),
            'run' => 'clay-wash',
            'people' => 1,
            'start' => '2026-11-25T08:00:00+01:00',
        ])->assertOk();
        self::assertSame([], $day()->json('made'));
        $this->append([self::made('joint-0001', 2, ['age_s' => 600])])->assertOk();
        $after = $day();
        self::assertShape('RunDay', (string) $after->getContent());
        self::assertSame(['2'], array_column($after->json('made'), 'joint'));
        $set = Carbon::parse($after->json('made.0.at'))->diffInMinutes(Carbon::parse($after->json('made.0.may_move')));
        self::assertSame(30.0, (float) $set);
        self::assertNotContains('2', array_column($after->json('day.steps'), 'joint'));
        self::assertGreaterThan(
            Carbon::now()->subMinute()->getTimestamp(),
            Carbon::parse($after->json('day.steps.0.from'))->getTimestamp(),
            'it goes on from now',
        );
        // A joint that was tapped by mistake is taken back, and is still to be made.
        $this->append([
            ['key' => 'taken-0001', 'kind' => 'taken-back', 'entry' => 1, 'made_at' => 'x', 'age_s' => 0],
        ])->assertOk();
        self::assertSame([], $day()->json('made'));
    }

    /** @return iterable<string, array{string}> what somebody does behind the back of the log */
    public static function tampering(): iterable
    {
        foreach (['content', 'kind', 'made_at', 'happened_at', 'kept_at', 'device', 'previous', 'hash'] as $column) {
            $but = "LEFT({$column}, CHAR_LENGTH({$column}) - 1)";
            yield "another {$column}" => [
                "UPDATE log_entries SET {$column} = CONCAT({$but}, '~') WHERE number = 3",
            ];
        }
        yield 'another key' => ["UPDATE log_entries SET `key` = CONCAT(`key`, 'x') WHERE number = 3"];
        yield 'another author' => ['UPDATE log_entries SET author_id = (SELECT MAX(id) FROM users) WHERE number = 3'];
        yield 'one is gone' => ['DELETE FROM log_entries WHERE number = 3'];
        yield 'the last is gone' => ['DELETE FROM log_entries WHERE number = 5'];
        yield 'all are gone' => ['DELETE FROM log_entries'];
        yield 'two changed places' => [
            'UPDATE log_entries SET number = CASE number WHEN 2 THEN 13 WHEN 3 THEN 12 ELSE number END; '.
            'UPDATE log_entries SET number = number - 10 WHERE number > 10',
        ];
        yield 'one is put in at the end' => [
            'INSERT INTO log_entries (job_id, number, `key`, kind, content, author_id, device, made_at, happened_at, '.
            'kept_at, previous, hash) SELECT job_id, 6, \'other-0001\', kind, content, author_id, device, made_at, '.
            'happened_at, kept_at, hash, hash FROM log_entries WHERE number = 5',
        ];
        yield 'the job was told of another end' => ["UPDATE jobs SET log_hash = REPEAT('0', 64) WHERE log_length > 0"];
    }

    #[DataProvider('tampering')]
    public function testWhatIsDoneBehindItsBackIsFound(string $sql): void
    {
        for ($n = 1; $n <= 5; $n++) {
            $this->append([self::made("joint-000{$n}", $n, ['note' => "note {$n}"])])->assertOk();
        }
        self::assertSame(0, Artisan::call('log:verify'));
        foreach (explode('; ', $sql) as $one) {
            DB::statement($one);
        }
        self::assertSame(1, Artisan::call('log:verify'));
        self::assertSame(1, Artisan::call('log:verify', ['--job' => $this->job]));
    }

    public function testAnyByteThatIsChangedDroppedSwappedOrInsertedIsFound(): void
    {
        $this->append([
            self::made('joint-0001', 2, ['note' => 'Schräg, “5/8”.', 'air_c' => 12.5]),
            ['kind' => 'cut', 'piece' => 'l1.1', 'length_mm' => 281.5] +
                array_diff_key(self::made('cut-000001', 0), ['joint' => 0]),
            self::made('joint-0002', 3, ['age_s' => 90.25]),
        ])->assertOk();
        $rows = LogEntry::query()->orderBy('number')->get()->map(fn (LogEntry $one): array => $one->getAttributes());
        /** @var list<array<string, int|string>> $rows */
        $rows = array_values($rows->all());
        $last = (string) $rows[2]['hash'];
        self::assertSame([], self::faultsOf($rows, $last));
        $tried = 0;
        foreach ($rows as $n => $row) {
            foreach (array_diff_key($row, ['id' => 0]) as $column => $value) {
                foreach (self::otherwise((string) $value) as $other) {
                    $changed = $rows;
                    $changed[$n][$column] = is_int($value) ? (int) $other : $other;
                    if ($changed[$n][$column] !== $value) {
                        $tried++;
                        self::assertNotSame([], self::faultsOf($changed, $last), "{$column} {$value}: {$other}");
                    }
                }
            }
        }
        self::assertGreaterThan(5_000, $tried);
    }

    /** @return iterable<string> a text with one byte changed, left out, put in, or two that changed places */
    private static function otherwise(string $text): iterable
    {
        for ($i = 0; $i < strlen($text); $i++) {
            yield substr_replace($text, chr(ord($text[$i]) ^ 1), $i, 1);
            yield substr_replace($text, chr(ord($text[$i]) ^ 32), $i, 1);
            yield substr_replace($text, '', $i, 1);
            yield substr_replace($text, $text[$i], $i, 0);
            yield substr_replace($text, ' ', $i, 0);
            if ($i > 0) {
                yield substr_replace($text, $text[$i].$text[$i - 1], $i - 1, 2);
            }
        }
        yield $text.' ';
    }

    /**
     * @param list<array<string, int|string>> $rows
     * @return list<string>
     */
    private static function faultsOf(array $rows, string $last): array
    {
        $entries = array_map(static fn (array $row): LogEntry => (new LogEntry)->setRawAttributes($row), $rows);

        return JobLog::faultsOf($entries, count($rows), $last);
    }

    /**
     * @param list<array<string, mixed>> $entries
     * @return TestResponse<Response>
     */
    private function append(array $entries): TestResponse
    {
        return $this->postJson("/api/jobs/{$this->job}/log", [
            'device' => 'Phone in the cellar',
            'entries' => $entries,
        ]);
    }

    /**
     * @param array<string, mixed> $with
     * @return array<string, mixed>
     */
    private static function made(string $key, int $joint, array $with = []): array
    {
        return $with + [
            'key' => $key,
            'kind' => 'joint',
            'run' => 'clay-wash',
            'joint' => $joint,
            'made_at' => '2026-11-25T08:00:00+01:00',
            'age_s' => 0,
        ];
    }
}
