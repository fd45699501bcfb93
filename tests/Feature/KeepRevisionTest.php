<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Edit;
use App\Actions\KeepRevision;
use App\Actions\OpenJob;
use App\Actions\StaleEdit;
use App\Models\Crew;
use App\Models\Job;
use App\Models\Revision;
use App\Models\User;
use FallBend\Core\Job\JobFile;
use Symfony\Component\Process\Process;
use Tests\Support\FreshTables;
use Tests\TestCase;

/** Revisions under load and over time. These commit for real, so that other processes see them. */
final class KeepRevisionTest extends TestCase
{
    use FreshTables;

    public function testOfManyEditsFromOneRevisionOneWinsOnEveryServer(): void
    {
        $crew = Crew::query()->create(['name' => 'Day crew']);
        $lead = self::member($crew, 'lead');
        $job = app(KeepRevision::class)->start($crew->id, $lead, app(JobFile::class)->read(self::demo()))->job;
        $script = <<<'PHP'
        require 'vendor/autoload.php';
        $app = require 'bootstrap/app.php';
        $app->make(Illuminate\Contracts\Console\Kernel::class)->bootstrap();
        [, $id, $n] = $argv;
        $keep = app(App\Actions\KeepRevision::class);
        $job = App\Models\Job::query()->findOrFail($id);
        try {
            $plan = $app->make(App\Actions\OpenJob::class)->plan($job->headRevision());
            $keep->edit($job, App\Models\User::query()->firstOrFail(), new App\Actions\Edit([], $plan, 1, "gesture {$n}"));
            echo 'kept';
        } catch (App\Actions\StaleEdit) {
            echo 'stale';
        }
        PHP;
        $processes = array_map(
            static fn (int $n): Process => new Process(
                [PHP_BINARY, '-r', $script, '--', $job->id, (string) $n],
                base_path(),
                ['DB_DATABASE' => 'fallbend_test', 'APP_ENV' => 'testing'],
            ),
            range(1, 6),
        );
        array_walk($processes, static fn (Process $process) => $process->start());
        $said = array_map(static function (Process $process): string {
            $process->wait();

            return $process->getOutput();
        }, $processes);
        sort($said);
        self::assertSame(['kept', 'stale', 'stale', 'stale', 'stale', 'stale'], $said);
        self::assertSame(2, Job::query()->findOrFail($job->id)->head);
        self::assertSame(
            [1, 2],
            Revision::query()->where('job_id', $job->id)->orderBy('number')->pluck('number')->all(),
        );
    }

    public function testANewerLedgerOutlivesAnOlderPlan(): void
    {
        [$keep, $file, $lead, $job] = $this->started();
        $document = self::demo();
        unset($document['runs'][1]['marks']);
        $job = $keep->edit($job, $lead, new Edit($document, $file->read($document), 1, 'a plan without marks'))->job;
        $marks = app(OpenJob::class)->plan($job->headRevision())->run('glaze')?->marks;
        self::assertNotNull($marks);
        self::assertSame('A', $marks->pieces['l1.1'] ?? null, 'the marks that were given stay');
        self::assertSame(self::demo()['runs'][1]['marks']['next_piece'], $marks->nextPiece);
    }

    public function testAStaleEditCarriesTheJobAsItIs(): void
    {
        [$keep, $file, $lead, $job] = $this->started();
        $renamed = ['name' => 'Renamed'] + self::demo();
        $keep->edit($job, $lead, new Edit($renamed, $file->read($renamed), 1, 'g'));
        try {
            $keep->edit($job, $lead, new Edit(self::demo(), $file->read(self::demo()), 1, 'late'));
            self::fail('was kept');
        } catch (StaleEdit $stale) {
            self::assertSame([2, 'Renamed'], [$stale->job->head, $stale->job->name]);
        }
    }

    public function testADocumentIsKeptAsItWasGiven(): void
    {
        [$keep, $file, , $job] = $this->started();
        self::assertEquals(
            $file->document($file->read(self::demo())),
            $file->document(app(OpenJob::class)->plan($job->headRevision())),
        );
        self::assertJson($job->headRevision()->text());
    }

    public function testTheDemoIsPutInOnceAndWhatWasChangedStays(): void
    {
        $this->command('demo:seed')->assertSuccessful();
        $keep = app(KeepRevision::class);
        $job = Job::query()->firstOrFail();
        $lead = User::query()->where('email', 'lead@mill-row.example')->firstOrFail();
        $document = app(JobFile::class)->document(app(OpenJob::class)->plan($job->headRevision()));
        $document = json_decode(json_encode($document, JSON_THROW_ON_ERROR), true, 64, JSON_THROW_ON_ERROR);
        $document = ['place' => 'Elsewhere'] + $document;
        $keep->edit($job, $lead, new Edit($document, app(JobFile::class)->read($document), 1, 'g'));
        $this->command('demo:seed')->assertSuccessful();
        self::assertSame(4, Job::query()->count());
        self::assertSame(2, Job::query()->findOrFail($job->id)->head);
        self::assertSame(2, User::query()->count());
        $this->postJson('/api/session', [
            'email' => 'apprentice@mill-row.example',
            'password' => 'clay-wash',
        ])->assertOk();
    }

    /** @return array{KeepRevision, JobFile, User, Job} */
    private function started(): array
    {
        $crew = Crew::query()->create(['name' => 'Day crew']);
        $lead = self::member($crew, 'lead');
        [$keep, $file] = [app(KeepRevision::class), app(JobFile::class)];

        return [$keep, $file, $lead, $keep->start($crew->id, $lead, $file->read(self::demo()))->job];
    }
}
