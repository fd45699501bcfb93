<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Job;
use App\Models\Photograph;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Process\Process;
use Tests\Support\Ports;
use Tests\TestCase;
use Tests\TwoCrews;

/** Pictures in a store by their hash: a folder, and one that speaks the protocol S3 (the stand-in that ships). */
final class PictureStoreTest extends TestCase
{
    use RefreshDatabase;
    use TwoCrews;

    private string $folder;

    private ?Process $store = null;

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir().'/pictures-'.bin2hex(random_bytes(6));
        mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        $this->store?->stop(1);
        File::deleteDirectory($this->folder);
        parent::tearDown();
    }

    public function testAFolderHoldsThemOnceAndGivesThemBack(): void
    {
        $local = ['driver' => 'local', 'root' => $this->folder, 'throw' => true];
        config(['operations.pictures' => 'store', 'filesystems.disks.pictures' => $local]);
        $this->assertKeptMovedAndSwept();
    }

    public function testSoDoesAStoreThatSpeaksTheProtocolOfObjectStores(): void
    {
        $this->useStore('secret of the store');
        $this->assertKeptMovedAndSwept();
    }

    public function testAStoreThatIsAwayIsWaitedForAndNothingHalfIsKept(): void
    {
        $this->useStore('another secret');
        [$job] = $this->demoJob();
        // It does not take what is signed with another key.
        $this->picture($job)->assertStatus(503)->assertJsonPath('code', 'away')->assertHeader('Retry-After');
        $this->store?->stop(1);
        $this->picture($job)->assertStatus(503);
        self::assertSame(0, Photograph::query()->count());
    }

    private function assertKeptMovedAndSwept(): void
    {
        [$job] = $this->demoJob();
        [$other] = $this->demoJob();
        $hash = (string) $this->picture($job)->assertCreated()->json('hash');
        $this->picture($other)->assertCreated();
        self::assertSame([null, null], DB::table('photographs')->pluck('bytes')->all());
        self::assertCount(1, File::allFiles($this->folder), 'the same picture of two jobs is there once');
        $at = "/api/jobs/{$job}/photographs/{$hash}";
        $seen = (string) $this->get($at)->assertOk()->getContent();
        self::assertSame('image/jpeg', (getimagesizefromstring($seen) ?: ['mime' => ''])['mime']);

        Artisan::call('pictures:move', ['to' => 'database']);
        self::assertSame(2, DB::table('photographs')->whereNotNull('bytes')->count());
        self::assertSame($seen, $this->get($at)->getContent());
        Artisan::call('pictures:move', ['to' => 'store']);
        self::assertSame(0, DB::table('photographs')->whereNotNull('bytes')->count());
        self::assertSame($seen, $this->get($at)->getContent());

        self::assertSame(0, Artisan::call('pictures:check'));
        Job::query()->whereKey($other)->delete();
        Artisan::call('pictures:sweep');
        $this->get($at)->assertOk();
        // What is not what was put there is not shown as if it were.
        $file = File::allFiles($this->folder)[0]->getPathname();
        file_put_contents($file, 'changed');
        $this->get($at)->assertStatus(500);
        self::assertSame(1, Artisan::call('pictures:check'));
        Job::query()->whereKey($job)->delete();
        Artisan::call('pictures:sweep');
        self::assertCount(1, File::allFiles($this->folder), 'what came today may have its row only now');
        touch($file, time() - 2 * 86_400);
        Artisan::call('pictures:sweep');
        self::assertCount(0, File::allFiles($this->folder));
    }

    private function useStore(string $secret): void
    {
        $port = Ports::free();
        $told = ['OBJECTS_FOLDER' => $this->folder, 'OBJECTS_KEY' => 'key', 'OBJECTS_SECRET' => 'secret of the store'];
        $command = [PHP_BINARY, '-S', "127.0.0.1:{$port}", base_path('bin/lib/object-store.php')];
        $this->store = new Process($command, env: $told, timeout: null);
        $this->store->start();
        Ports::untilItListens($port);
        config(['operations.pictures' => 'store', 'filesystems.disks.pictures' => [
            'driver' => 's3',
            'key' => 'key',
            'secret' => $secret,
            'region' => 'us-east-1',
            'bucket' => 'fall-bend',
            'endpoint' => "http://127.0.0.1:{$port}",
            'use_path_style_endpoint' => true,
            'throw' => true,
        ]]);
    }

    /** @return TestResponse<Response> */
    private function picture(string $job): TestResponse
    {
        $jpeg = (string) file_get_contents(base_path('tests/Support/joint.jpg'));
        $server = ['HTTP_ACCEPT' => 'application/json'];

        return $this->call('POST', "/api/jobs/{$job}/photographs", server: $server, content: $jpeg);
    }
}
