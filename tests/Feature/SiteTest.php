<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Job;
use App\Models\LogEntry;
use App\Models\Photograph;
use App\Models\Share;
use App\Models\User;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Tests\FlatBlock;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Testing\TestResponse;
use Sabre\VObject\Component\VCalendar;
use Sabre\VObject\Reader;
use Smalot\PdfParser\Parser;
use Symfony\Component\HttpFoundation\Response;
use Tests\Support\FreshTables;
use Tests\TestCase;
use Tests\TwoCrews;

/** The test and the record of a job, by what its log says; and who reads it by a link. */
final class SiteTest extends TestCase
{
    use FreshTables;
    use TwoCrews;

    private string $job;

    private int $said = 0;

    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->lead);
        $this->job = (string) $this->postJson('/api/jobs', ['document' => self::demo()])
            ->assertCreated()
            ->json('id');
    }

    public function testATestGoesByTheLogAndAWetJointGoesBackToGlueUp(): void
    {
        $answer = $this->tested();
        self::assertShape('Testing', (string) $answer->getContent());
        $system = self::of($answer, 'galley');
        self::assertSame('not-made', $system['state']);
        self::assertNotNull($system['fill']);
        foreach ($system['joints'] as $joint) {
            $this->say('joint', ['run' => 'galley', 'joint' => $joint['joint']], 10_000);
        }
        self::assertSame('ready', self::of($this->tested(), 'galley')['state']);
        $this->say('test-begun', ['system' => 'galley', 'stage' => 'rough-in', 'what' => 'water'], 1_200, 'test-0001');
        $this->say('reading', ['test' => 'test-0001', 'value' => 0], 1_100);
        $running = self::of($this->tested(), 'galley');
        self::assertSame(['running', 'read-now'], [$running['state'], $running['tests'][0]['state']]);
        $this->say('reading', ['test' => 'test-0001', 'value' => 0], 100);
        self::assertSame('passed', self::of($this->tested(), 'galley')['state']);
        $this->say('walk', ['run' => 'galley', 'joint' => 2, 'dry' => false], 50);
        self::assertSame('failed', self::of($this->tested(), 'galley')['state']);
        $day = $this->postJson('/api/day', [
            'job' => $this->job,
            'document' => self::demo(),
            'run' => 'galley',
            'people' => 1,
            'start' => '2026-11-30T08:00:00+01:00',
        ])->assertOk();
        self::assertShape('RunDay', (string) $day->getContent());
        self::assertSame([['2', 'leaks']], array_map(
            static fn (array $one): array => [$one['joint'], $one['what']],
            $day->json('wrong'),
        ));
        self::assertNotContains('2', array_column($day->json('made'), 'joint'));
    }

    public function testAJointOutsideTheRunsIsMadeFoundWrongAndRecorded(): void
    {
        $day = fn (): array => array_column(
            $this->postJson('/api/day', $this->asked([
                'run' => 'galley',
                'people' => 1,
                'start' => '2026-11-30T08:00:00+01:00',
            ]))->assertOk()->json('singles'),
            null,
            'id',
        );
        self::assertCount(12, $day());
        self::assertSame([], array_filter(array_column($day(), 'made')));
        $of = ['run' => 'single.hub-adapter', 'joint' => 1];
        $this->say('joint', $of + ['method' => 'hub-adapter'], 60);
        $made = array_column($day(), 'made', 'id')['hub-adapter'] ?? [];
        self::assertGreaterThan($made['at'], $made['may_fill'], 'what is cemented in it has its clock');
        $this->say('walk', $of + ['dry' => false], 10);
        self::assertSame('leaks', $day()['hub-adapter']['wrong']['what']);
        self::assertNull($day()['hub-adapter']['made']);
        $outside = array_column($this->recorded()->json('runs'), null, 'id')['singles'];
        $joint = array_column($outside['joints'], null, 'name')['Mop drain into a hub'];
        self::assertSame('leaks', $joint['trouble']['what']);
        $walked = array_column($this->tested()->json('singles'), null, 'run');
        self::assertSame(['wrong', false], [
            $walked['single.hub-adapter']['state'],
            $walked['single.hub-adapter']['dry'],
        ]);
    }

    public function testAReadingBelongsToATestThatWasBegun(): void
    {
        $this->append([self::entry('reading', ['test' => 'none-0001', 'value' => 0], 0, 'reading-01')])
            ->assertStatus(422)
            ->assertJsonStructure(['errors' => ['entries.0.test']]);
        self::assertSame(0, LogEntry::query()->count());
    }

    public function testAStageOrAZoneThatIsNoneIsRefusedAtItsPlace(): void
    {
        foreach (['stage' => 'painted', 'zone' => 'Berlin', 'hose_l_per_min' => 0] as $field => $wrong) {
            $this->postJson('/api/test', [$field => $wrong] + $this->asked(['run' => 'galley', 'stage' => 'rough-in']))
                ->assertStatus(422)
                ->assertJsonStructure(['errors' => [$field]]);
        }
    }

    public function testASignatureStandsForThePlanAndTheLogAsTheyAreThen(): void
    {
        $this->say('joint', ['run' => 'galley', 'joint' => 1], 60);
        $this->say('signed', ['name' => 'R. Halloway', 'role' => 'lead hand'], 0, 'signed-001');
        $record = $this->recorded();
        self::assertShape('JobRecord', (string) $record->getContent());
        self::assertSame(['R. Halloway', true, 1], [
            $record->json('signatures.0.name'),
            $record->json('signatures.0.holds'),
            $record->json('signatures.0.revision'),
        ]);
        $entry = LogEntry::query()->where('kind', 'signed')->firstOrFail();
        self::assertSame($entry->hash, $record->json('signatures.0.hash'));
        self::assertStringContainsString(
            hash('sha256', Job::query()->findOrFail($this->job)->newest()->text()),
            $entry->content,
        );
        // Sent once more it is the same signature.
        $again = self::entry('signed', ['name' => 'R. Halloway', 'role' => 'lead hand'], 0, 'signed-001');
        $this->append([$again])->assertOk();
        self::assertSame(2, LogEntry::query()->count());
        $this->keep(['place' => 'elsewhere'] + self::demo());
        self::assertFalse($this->recorded()->json('signatures.0.holds'));
    }

    public function testTheRecordLeavesAsPaperAsATableAndAsAMap(): void
    {
        $this->say('joint', ['run' => 'galley', 'joint' => 1, 'part' => '=1+1'], 60);
        $this->say('note', ['note' => str_repeat('The inspector saw it. ', 80)], 0);
        $link = 'http://localhost/shared/'.str_repeat('a', 32);
        $squares = array_fill(0, 25, str_repeat('10', 12).'1');
        $pdf = $this->filed('pdf', ['link' => $link, 'squares' => $squares]);
        $text = (new Parser)->parseContent((string) $pdf->getContent())->getText();
        $wanted = ['Record', 'Galley sink to the steel tee', '1 of ', 'The inspector saw it.', 'Nobody has signed'];
        $sides = ['from above', 'along its length', 'isometric'];
        foreach ([...$wanted, ...array_map(static fn (string $side): string => "tee, {$side}", $sides)] as $said) {
            self::assertStringContainsString($said, $text);
        }
        self::assertStringContainsString('shared/aaa', str_replace(["\n", ' '], '', $text));
        $csv = (string) $this->filed('csv')->getContent();
        self::assertStringContainsString("'=1+1", $csv, 'a formula is none');
        $joints = array_merge(...array_column($this->recorded()->json('runs'), 'joints'));
        self::assertSame(count($joints) + 1, substr_count($csv, "\r\n"));
        $file = $this->filed('geojson', ['origin' => ['lat' => 50, 'lon' => 10]]);
        $map = json_decode((string) $file->getContent(), true);
        self::assertIsArray($map);
        self::assertSame('FeatureCollection', $map['type']);
        $this->postJson('/api/record/file', $this->asked(['format' => 'pdf', 'squares' => ['01', '10']]))
            ->assertStatus(422)
            ->assertJsonStructure(['errors' => ['squares']]);
    }

    public function testALinkReadsTheRecordUntilItRunsOutOrIsWithdrawn(): void
    {
        $made = $this->postJson("/api/jobs/{$this->job}/shares", ['for' => 'inspector', 'days' => 7])->assertCreated();
        $path = (string) parse_url((string) $made->json('link'), PHP_URL_PATH);
        $token = basename($path);
        self::assertSame(32, strlen($token));
        self::assertSame(0, Share::query()->where('token_hash', $token)->count(), 'what stands in it is not kept');
        $this->postJson("/api/jobs/{$this->job}/shares", ['for' => '', 'days' => 7])->assertStatus(422);
        $this->postJson("/api/jobs/{$this->job}/shares", ['for' => 'x', 'days' => 9_999])->assertStatus(422);
        $this->app['auth']->forgetGuards();
        $this->deleteJson('/api/session');
        $read = $this->getJson("/api/shared/{$token}?zone=%2B01:00")->assertOk();
        self::assertShape('SharedRecord', (string) $read->getContent());
        self::assertSame('Mill Row Pottery', $read->json('record.name'));
        $this->getJson('/api/shared/'.str_repeat('x', 32))->assertNotFound();
        Carbon::setTestNow(Carbon::now()->addDays(8));
        $this->getJson("/api/shared/{$token}")->assertNotFound();
        Carbon::setTestNow();
        $this->getJson("/api/shared/{$token}")->assertOk();
        $this->actingAs($this->lead);
        $id = $made->json('share.id');
        $this->deleteJson("/api/jobs/{$this->job}/shares/{$id}")->assertNoContent();
        $this->getJson("/api/shared/{$token}")->assertNotFound();
        self::assertFalse($this->getJson("/api/jobs/{$this->job}/shares")->assertOk()->json('shares.0.open'));
    }

    public function testNothingOfAPictureIsKeptButWhatIsSeen(): void
    {
        $jpeg = (string) file_get_contents(base_path('tests/Support/joint.jpg'));
        $size = getimagesizefromstring($jpeg);
        self::assertIsArray($size);
        [$wide, $high] = $size;
        // Held upright, by what the camera says: Exif with Orientation 6 and a maker, big-endian.
        $tags = pack('n', 2).pack('nnNnn', 0x0112, 3, 1, 6, 0).pack('nnN', 0x010F, 2, 4).'Mine'.pack('N', 0);
        $exif = "Exif\0\0MM".pack('nN', 42, 8).$tags;
        $marked = "\xFF\xD8\xFF\xE1".pack('n', strlen($exif) + 2).$exif.substr($jpeg, 2).'<?php hung_on_behind();';
        $hash = $this->sent($marked)->assertCreated()->json('hash');
        self::assertSame(hash('sha256', $marked), $hash, 'it is named by what was sent');
        $kept = (string) $this->get("/api/jobs/{$this->job}/photographs/{$hash}")->assertOk()->getContent();
        self::assertStringNotContainsString('hung_on_behind', $kept);
        self::assertStringNotContainsString('Exif', $kept);
        self::assertSame([$high, $wide], array_slice((array) getimagesizefromstring($kept), 0, 2), 'it is upright');
        $this->sent(substr($jpeg, 0, 200))->assertStatus(422);
        // What says of itself that it is large is not even begun with.
        $png = "\x89PNG\r\n\x1A\n".pack('N', 13).'IHDR'.pack('NN', 100_000, 100_000)."\x08\x02\0\0\0";
        $this->sent($png)->assertStatus(422)->assertJsonFragment(['has more than 10 megapixels: send it smaller']);
    }

    public function testAPictureIsSentNamedInTheLogAndSeenByTheLinkAlone(): void
    {
        $png = (string) base64_decode(
            'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
            true,
        );
        $hash = $this->sent($png)->assertCreated()->json('hash');
        self::assertSame(hash('sha256', $png), $hash);
        $this->sent($png)->assertCreated();
        self::assertSame(1, Photograph::query()->count(), 'sent twice it is kept once');
        foreach (['', '<svg onload="x"/>', 'GIF89a'.str_repeat('x', 50), str_repeat('x', 3_000_001)] as $none) {
            $this->sent($none)->assertStatus(422);
        }
        $this->say('photograph', ['run' => 'galley', 'joint' => 1, 'hash' => $hash, 'note' => 'The stub'], 0);
        $joints = array_column($this->recorded()->json('runs'), null, 'id')['galley']['joints'];
        self::assertSame(['The stub'], array_column($joints[0]['pictures'], 'note'));
        $at = "photographs/{$hash}";
        $shown = $this->get("/api/jobs/{$this->job}/{$at}")->assertOk();
        self::assertSame('image/png', $shown->headers->get('Content-Type'));
        self::assertSame([1, 1], array_slice((array) getimagesizefromstring((string) $shown->getContent()), 0, 2));
        $link = $this->postJson("/api/jobs/{$this->job}/shares", ['for' => 'owner', 'days' => 7]);
        $token = basename((string) $link->json('link'));
        $this->actingAs($this->stranger);
        $this->get("/api/jobs/{$this->job}/{$at}")->assertNotFound();
        $this->get("/api/shared/{$token}/{$at}")->assertOk();
        $this->get("/api/shared/{$token}/photographs/".str_repeat('0', 64))->assertNotFound();
        $this->get('/api/shared/'.str_repeat('x', 32)."/{$at}")->assertNotFound();
    }

    public function testALargeJobIsOnPaperWithAsManyDrawingsAsAWorkerHolds(): void
    {
        $document = app(JobFile::class)->document(FlatBlock::of(12));
        $made = $this->postJson('/api/jobs', ['document' => $document, 'want' => (object) []])->assertCreated();
        $pdf = $this->postJson('/api/record/file', [
            'job' => $made->json('id'),
            'document' => json_decode((string) json_encode($document), true),
            'format' => 'pdf',
        ])->assertOk();
        $text = (string) preg_replace('/\s+/', ' ', (new Parser)->parseContent((string) $pdf->getContent())->getText());
        self::assertStringContainsString('Runs of a job of this size are drawn isometric only', $text);
        self::assertStringNotContainsString(', along its length', $text);
        self::assertStringContainsString(', isometric', $text);
    }

    public function testPhotographsArePrintedWithWhatTheyShow(): void
    {
        $bytes = (string) file_get_contents(base_path('tests/Support/joint.jpg'));
        $hash = $this->sent($bytes)->assertCreated()->json('hash');
        $png = (string) base64_decode(
            'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAQAAAC1HAwCAAAAC0lEQVR42mNk+A8AAQUBAScY42YAAAAASUVORK5CYII=',
            true,
        );
        $other = $this->sent($png)->assertCreated()->json('hash');
        $this->say('photograph', ['run' => 'galley', 'joint' => 1, 'hash' => $hash, 'note' => 'The oval stub.'], 0);
        $this->say('photograph', ['hash' => $other, 'note' => 'The whole wall.'], 0);
        $this->say('photograph', ['hash' => str_repeat('a1', 32)], 0);
        $pdf = (string) $this->filed('pdf')->getContent();
        $kept = (string) Photograph::bytesOf($this->job, (string) $hash);
        self::assertStringContainsString($kept, $pdf, 'the picture itself, as it is kept');
        $text = (string) preg_replace('/\s+/', ' ', (new Parser)->parseContent($pdf)->getText());
        self::assertMatchesRegularExpression('/Galley.*, joint 5\.1, .*The oval stub\./i', $text);
        self::assertStringContainsString('The whole wall.', $text);
        self::assertStringContainsString('It is no JPEG, and cannot be printed.', $text);
        self::assertStringContainsString('The photograph is not here: the log came in a file.', $text);
    }

    public function testTheDemoIsInTheMiddleOfItsDayAndFinishedAndIsPlayed(): void
    {
        Artisan::call('migrate:fresh', ['--force' => true]);
        self::assertSame(0, Artisan::call('demo:seed'));
        $this->actingAs(User::query()->where('email', 'lead@mill-row.example')->firstOrFail());
        $ids = Job::query()->pluck('id', 'name');
        $record = fn (string $name, string $file): TestResponse => $this->postJson('/api/record', [
            'job' => $ids[$name] ?? Job::query()->where('name', $name)->value('id'),
            'document' => ['name' => $name] +
                (array) json_decode((string) file_get_contents(database_path("demo/{$file}.json")), true),
        ])->assertOk();
        $mill = $record('Mill Row Pottery', 'mill-row-pottery');
        self::assertGreaterThan(0, $mill->json('made'));
        self::assertGreaterThan($mill->json('made'), $mill->json('joints'));
        $states = array_column($mill->json('tests'), 'state');
        self::assertContains('failed', $states);
        self::assertContains('passed', $states);
        self::assertContains('holding', $states);
        $cutOut = array_merge(...array_column(array_merge(...array_column($mill->json('runs'), 'joints')), 'cut_out'));
        self::assertNotSame([], $cutOut);
        $done = static fn (TestResponse $one): array => [
            $one->json('joints') === $one->json('made'),
            array_unique(array_column($one->json('systems'), 'state')),
            array_column($one->json('signatures'), 'holds'),
        ];
        $weir = $record('Weir Cottage office', 'weir-cottage-office');
        self::assertSame([true, ['done'], [true]], $done($weir));
        self::assertSame(0, Artisan::call('demo:play', ['--speed' => '1000000']));
        $played = $record('A day at Weir Cottage', 'weir-cottage-office');
        self::assertSame($weir->json('entries'), $played->json('entries'));
        self::assertSame($done($weir), $done($played));
        self::assertSame(0, Artisan::call('log:verify'));
    }

    public function testWhatIsOfAnotherCrewIsNotThere(): void
    {
        $id = $this->postJson("/api/jobs/{$this->job}/shares", ['for' => 'owner', 'days' => 7])->json('share.id');
        $this->actingAs($this->stranger);
        $this->postJson('/api/record', $this->asked())->assertNotFound();
        $this->postJson('/api/record/file', $this->asked(['format' => 'csv']))->assertNotFound();
        $this->postJson('/api/test', $this->asked(['run' => 'galley', 'stage' => 'rough-in']))->assertNotFound();
        $this->getJson("/api/jobs/{$this->job}/shares")->assertNotFound();
        $this->postJson("/api/jobs/{$this->job}/shares", ['for' => 'me', 'days' => 7])->assertNotFound();
        $this->deleteJson("/api/jobs/{$this->job}/shares/{$id}")->assertNotFound();
        self::assertSame(1, Share::query()->whereNull('withdrawn_at')->count());
    }

    public function testADayGoesIntoACalendar(): void
    {
        $asked = ['run' => 'galley', 'people' => 1, 'start' => '2026-11-30T08:00:00+01:00'];
        $day = $this->postJson('/api/day', $this->asked($asked))->assertOk();
        $file = $this->postJson('/api/day/calendar', $this->asked($asked))->assertOk();
        self::assertStringStartsWith('text/calendar', (string) $file->headers->get('Content-Type'));
        $calendar = Reader::read((string) $file->getContent());
        self::assertInstanceOf(VCalendar::class, $calendar);
        $events = $calendar->select('VEVENT');
        $joins = array_filter($day->json('day.steps'), static fn (array $step): bool => $step['what'] === 'join');
        $closed = $day->json('day.closed_from') === null ? 0 : 1;
        self::assertCount(count($joins) + 1 + $closed, $events);
        $starts = array_map(static fn ($event): int => $event->DTSTART->getDateTime()->getTimestamp(), $events);
        foreach ($joins as $join) {
            self::assertContains(Carbon::parse($join['from'])->getTimestamp(), $starts);
        }
        self::assertSame([], $calendar->validate());
    }

    /** @return TestResponse<Response> */
    private function tested(): TestResponse
    {
        $asked = $this->asked(['run' => 'galley', 'stage' => 'rough-in', 'zone' => '+01:00']);

        return $this->postJson('/api/test', $asked)->assertOk();
    }

    /** @return TestResponse<Response> */
    private function recorded(): TestResponse
    {
        return $this->postJson('/api/record', $this->asked(['zone' => '+01:00']))->assertOk();
    }

    /**
     * @param array<string, mixed> $with
     * @return TestResponse<Response>
     */
    private function filed(string $format, array $with = []): TestResponse
    {
        return $this->postJson('/api/record/file', $this->asked(['format' => $format] + $with))->assertOk();
    }

    /**
     * @param array<string, mixed> $with
     * @return array<string, mixed>
     */
    private function asked(array $with = []): array
    {
        return $with + ['job' => $this->job, 'document' => self::demo()];
    }

    /**
     * @param TestResponse<Response> $answer
     * @return array<string, mixed>
     */
    private static function of(TestResponse $answer, string $system): array
    {
        self::assertSame($system, $answer->json('system.id'));

        return $answer->json('system');
    }

    /** @return TestResponse<Response> */
    private function sent(string $bytes): TestResponse
    {
        return $this->call(
            'POST',
            "/api/jobs/{$this->job}/photographs",
            server: ['CONTENT_TYPE' => 'image/jpeg', 'HTTP_ACCEPT' => 'application/json'],
            content: $bytes,
        );
    }

    /** @param array<string, mixed> $document */
    private function keep(array $document): void
    {
        $edit = ['from' => 1, 'gesture' => 'place', 'document' => $document];
        $this->putJson("/api/jobs/{$this->job}", $edit)->assertOk();
    }

    /** @param array<string, mixed> $said */
    private function say(string $kind, array $said, float $ageS, ?string $key = null): void
    {
        $key ??= sprintf('said-%05d', ++$this->said);
        $this->append([self::entry($kind, $said, $ageS, $key)])->assertOk();
    }

    /**
     * @param array<string, mixed> $said
     * @return array<string, mixed>
     */
    private static function entry(string $kind, array $said, float $ageS, string $key): array
    {
        return $said + ['key' => $key, 'kind' => $kind, 'made_at' => '2026-11-30T08:00:00Z', 'age_s' => $ageS];
    }

    /**
     * @param list<array<string, mixed>> $entries
     * @return TestResponse<Response>
     */
    private function append(array $entries): TestResponse
    {
        return $this->postJson("/api/jobs/{$this->job}/log", ['device' => 'phone', 'entries' => $entries]);
    }
}
