<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Jobs\SendLetter;
use App\Models\Backup;
use App\Operations\Metrics;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\Route;
use Monolog\Handler\TestHandler;
use Monolog\Logger;
use RuntimeException;
use Tests\TestCase;
use Tests\TwoCrews;

/** What those who look after an installation see of it, and what they do not. */
final class OperationsTest extends TestCase
{
    use RefreshDatabase;
    use TwoCrews;

    public function testANodeSaysWhetherItIsReady(): void
    {
        $this->get('/health/live')->assertOk()->assertSee('ok');
        $ready = $this->getJson('/health/ready')->assertOk()->assertJsonPath('ready', true);
        self::assertSame(['database', 'disk', 'clock', 'queue'], array_keys((array) $ready->json('checks')));
        config(['operations.data_folder' => sys_get_temp_dir(), 'operations.least_free_mb' => PHP_INT_MAX]);
        // What is only asked it answers all the same, so it stays among the others.
        $this->getJson('/health/ready')->assertOk()->assertJsonPath('checks.disk.ok', false);
        config(['operations.least_free_mb' => 0, 'database.connections.gone' => ['port' => '1'] + self::connection()]);
        config(['database.default' => 'gone']);
        $this->getJson('/health/ready')->assertStatus(503)->assertJsonPath('checks.database.says', 'does not answer');
        $this->get('/health/live')->assertOk();
        config(['database.default' => 'mariadb']);
    }

    public function testWhileTheDiskIsFullNothingIsWrittenAndThenItGoesOn(): void
    {
        [$job, $document] = $this->demoJob();
        config(['operations.data_folder' => sys_get_temp_dir(), 'operations.least_free_mb' => PHP_INT_MAX]);
        $edit = ['document' => ['place' => 'Moved'] + $document, 'from' => 1, 'gesture' => 'edit'];
        $this->putJson("/api/jobs/{$job}", $edit)
            ->assertStatus(503)
            ->assertHeader('Retry-After', '30')
            ->assertJsonPath('code', 'no-room');
        $this->getJson("/api/jobs/{$job}")->assertOk()->assertJsonPath('revision', 1);
        $this->postJson('/api/evaluate', ['document' => $document])->assertOk();
        config(['operations.least_free_mb' => 0]);
        $this->putJson("/api/jobs/{$job}", $edit)->assertOk()->assertJsonPath('revision', 2);
    }

    public function testARequestHasANameInTheAnswerAndInTheLogAndNothingOfWhoAsked(): void
    {
        $noted = new TestHandler;
        Log::shouldReceive('channel')->with('requests')->andReturn(new Logger('requests', [$noted]));
        $this->actingAs($this->lead)
            ->getJson('/api/jobs/01ABC?secret=word', ['X-Request-Id' => 'proxy-12345678'])
            ->assertNotFound()
            ->assertHeader('X-Request-Id', 'proxy-12345678');
        [$record] = $noted->getRecords();
        self::assertSame(['route', 'status', 'ms', 'mb'], array_keys($record->context));
        self::assertSame(['GET api/jobs/{id}', 404], [$record->context['route'], $record->context['status']]);
        self::assertStringNotContainsString('word', (string) json_encode($record->toArray()));
        // What cannot be a name is none.
        $own = $this->getJson('/api/session', ['X-Request-Id' => "a\"b\n"])->headers->get('X-Request-Id');
        self::assertMatchesRegularExpression('/^[0-9A-Za-z]{20}\z/', (string) $own);
    }

    public function testWhatGoesWrongIsToldByTheNameUnderWhichItIsNoted(): void
    {
        Route::get('api/breaks', static fn () => DB::table('users')->insert(['email' => 'ada@firm.example']));
        Route::get('health/breaks', static fn () => throw new RuntimeException('the reason'));
        config(['app.debug' => false]);
        $noted = [];
        Log::listen(static function ($entry) use (&$noted): void {
            $noted[] = $entry;
        });
        $answer = $this->getJson('/api/breaks')->assertStatus(500)->assertJsonPath('code', 'server');
        $id = (string) $answer->headers->get('X-Request-Id');
        $answer->assertJsonPath('message', "Something went wrong on the server. It is noted there as {$id}.");
        $errors = array_values(array_filter($noted, static fn ($entry): bool => $entry->level === 'error'));
        self::assertStringNotContainsString('ada@firm.example', (string) json_encode($errors[0]->context));
        self::assertSame('SQLSTATE HY000', $errors[0]->context['says']);
        $page = $this->get('/health/breaks')->assertStatus(500);
        $page->assertSee((string) $page->headers->get('X-Request-Id'));
    }

    public function testMetricsAreForWhoHasTheWord(): void
    {
        $this->get('/metrics')->assertNotFound();
        config(['operations.metrics_token' => 'the word']);
        $this->get('/metrics', ['Authorization' => 'Bearer other'])->assertNotFound();
        $told = $this->get('/metrics', ['Authorization' => 'Bearer the word'])->assertOk();
        self::assertSame(Metrics::CONTENT_TYPE, $told->headers->get('Content-Type'));
        foreach (explode("\n", trim((string) $told->getContent())) as $line) {
            self::assertMatchesRegularExpression(
                '/^(# TYPE \w+ (counter|gauge|histogram)|\w+(\{(\w+="[^"]*",?)+\})? -?[0-9.e+]+)\z/',
                $line,
            );
        }
        $told->assertSee('fall_bend_crews 2');
    }

    public function testAnOwnerSeesHowTheInstallationIs(): void
    {
        $this->actingAs($this->lead);
        $none = $this->getJson('/api/status')->assertOk()->assertJsonPath('backup_is_late', true);
        self::assertShape('InstallationStatus', (string) $none->getContent());
        $this->command('backups:note', ['name' => 'one', '--bytes' => '1234'])->assertSuccessful();
        $this->command('backups:note', ['name' => 'one', '--verified' => true])->assertSuccessful();
        $told = $this->getJson('/api/status')->assertJsonPath('backup_is_late', false);
        self::assertSame([1234, 'whole'], [$told->json('backups.0.bytes'), $told->json('backups.0.kind')]);
        self::assertNotNull($told->json('backups.0.verified_at'));
        // Logs are taken each minute, and push no whole one out of sight.
        for ($n = 0; $n < 12; $n++) {
            $this->travel(1)->minutes();
            $this->command('backups:note', ['name' => 'log', '--kind' => 'log', '--bytes' => $n])->assertSuccessful();
        }
        $kinds = array_column((array) $this->getJson('/api/status')->json('backups'), 'kind');
        self::assertSame(['log', 'whole'], $kinds);
        $this->travelBack();
        Backup::query()->update(['taken_at' => now()->subHours(27)]);
        $this->getJson('/api/status')->assertJsonPath('backup_is_late', true);
    }

    public function testLettersWaitInTheQueueSealedAndAreTriedAgain(): void
    {
        config(['queue.default' => 'database']);
        SendLetter::dispatch('ada@firm.example', 'Ada', 'Subject', 'the secret link');
        $waiting = (string) json_encode(DB::table('queued')->get());
        self::assertStringNotContainsString('secret', $waiting);
        self::assertStringNotContainsString('ada@', $waiting);
        $nobody = ['transport' => 'smtp', 'host' => '127.0.0.1', 'port' => 1];
        config(['mail.default' => 'smtp', 'mail.mailers.smtp' => $nobody]);
        $this->travel(20)->minutes();
        $this->getJson('/health/ready')->assertOk()->assertJsonPath('checks.queue.ok', false);
        $this->command('queue:work', ['--once' => true])->assertSuccessful();
        self::assertSame([1, 0], [DB::table('queued')->count(), DB::table('queue_failed')->count()]);
        foreach ([6, 31, 121, 601] as $seconds) {
            $this->travel($seconds)->seconds();
            $this->command('queue:work', ['--once' => true])->assertSuccessful();
        }
        self::assertSame([0, 1], [DB::table('queued')->count(), DB::table('queue_failed')->count()]);
        $this->actingAs($this->lead)
            ->getJson('/api/status')
            ->assertJsonPath('letters_failed', 1);
    }

    public function testTheCommandLineSaysItToo(): void
    {
        $this->command('about', ['--only' => 'fall_bend'])
            ->expectsOutputToContain('takes writes')
            ->assertSuccessful();
    }

    /** @return array<string, mixed> how the database of the tests is found */
    private static function connection(): array
    {
        $connection = config('database.connections.mariadb');

        return is_array($connection) ? $connection : [];
    }
}
