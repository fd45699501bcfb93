<?php

declare(strict_types=1);

namespace Tests\Served;

use PHPUnit\Framework\TestCase;
use RuntimeException;
use Tests\Support\Answer;
use Tests\Support\Installation;
use Tests\Support\Served;

/**
 * The data stands on a small disk of its own, and that disk becomes full. Writes are refused with words while there is
 * still some room; where something else takes the last byte under the database, nothing acknowledged is lost, and it
 * goes on when there is room again.
 */
final class FullDiskTest extends TestCase
{
    private const MEGABYTES = 500;

    private const LEAST_FREE_MB = 64;

    private const HASTY_SECONDS = 3;

    private string $disk;

    private ?Installation $served = null;

    protected function setUp(): void
    {
        $this->disk = sys_get_temp_dir().'/fall-bend-disk-'.bin2hex(random_bytes(4));
        mkdir($this->disk, 0755);
        $size = self::MEGABYTES;
        exec("mount -t tmpfs -o size={$size}m,mode=755 none ".escapeshellarg($this->disk).' 2>&1', $said, $code);
        if ($code !== 0) {
            rmdir($this->disk);
            self::markTestSkipped('Nobody may mount a disk here: '.implode(' ', $said));
        }
    }

    protected function tearDown(): void
    {
        $this->served?->stop();
        exec('umount -l '.escapeshellarg($this->disk).'; rmdir '.escapeshellarg($this->disk));
    }

    public function testWritesAreRefusedWithWordsBeforeTheDiskIsFullAndGoOnWhenThereIsRoom(): void
    {
        $lead = $this->start(['LEAST_FREE_MB' => (string) self::LEAST_FREE_MB]);
        [$path, $job] = self::job($lead);
        $this->fill(intdiv(self::LEAST_FREE_MB, 2));
        $refused = self::keep($lead, $path, $job, 'on a full disk');
        self::assertSame([503, 'no-room'], [$refused->status, $refused->json()['code'] ?? ''], $refused->said());
        self::assertSame(200, $lead->send('GET', $path)->status, 'what is only asked is answered');
        $this->makeRoom();
        self::assertSame(200, self::keep($lead, $path, $job, 'on a full disk')->status);
        self::assertSame('on a full disk', self::place($lead, $path));
    }

    public function testNothingAcknowledgedIsLostWhereTheLastByteIsTakenUnderTheDatabase(): void
    {
        $lead = $this->start(['LEAST_FREE_MB' => '0']);
        [$path, $job] = self::job($lead);
        self::assertSame(200, self::keep($lead, $path, $job, 'while there was room')->status);
        $job['revision']++;
        $this->fill(0);
        // Somebody who does not wait for long: what they sent stands still in the database, and is sent again.
        $hasty = Served::as('lead', $lead->address, self::HASTY_SECONDS);
        self::assertNotSame(200, self::keep($hasty, $path, $job, 'on no room at all')->status);
        self::assertSame('while there was room', self::place($lead, $path), 'what is only asked is answered');
        $this->makeRoom();
        // The database looks once a minute whether there is room.
        for ($tries = 1; $tries <= 5; $tries++) {
            $again = self::keep($lead, $path, $job, 'on no room at all');
            if ($again->status === 200) {
                break;
            }
        }
        self::assertSame(200, $again->status, "it goes on when there is room: {$again->said()}");
        $job['revision']++;
        self::assertSame($job['revision'], $again->json()['revision'], 'and was carried out once');

        $this->fill(0);
        self::assertNotSame(200, self::keep($hasty, $path, $job, 'and then it was killed')->status);
        posix_kill($this->served()->process('database'), SIGKILL);
        self::assertTrue($this->served()->ends(60));
        try {
            $this->served()->start();
            self::fail('it cannot start without any room');
        } catch (RuntimeException $why) {
            self::assertStringContainsString('The disk', $why->getMessage());
            self::assertStringContainsString('is full', $why->getMessage());
        }
        $this->makeRoom();
        $this->served()->start();
        $kept = self::keep($lead, $path, $job, 'and then it was killed');
        self::assertSame([200, $job['revision'] + 1], [$kept->status, $kept->json()['revision'] ?? 0], $kept->said());
    }

    /** @param array<string, string> $environment */
    private function start(array $environment): Served
    {
        $this->served = new Installation($this->disk, environment: $environment);
        $this->served->start();

        return Served::as('lead', $this->served->address);
    }

    private function served(): Installation
    {
        return $this->served ?? throw new RuntimeException('it is not started');
    }

    /** Something else takes what is free of the disk, but for so many megabytes. */
    private function fill(int $left): void
    {
        // One more than there is, where nothing is to be left.
        $megabytes = intdiv((int) disk_free_space($this->disk), 1_048_576) + ($left === 0 ? 1 : -$left);
        exec("head -c {$megabytes}M /dev/zero > ".escapeshellarg("{$this->disk}/something-else").' 2> /dev/null');
    }

    private function makeRoom(): void
    {
        unlink("{$this->disk}/something-else");
    }

    /** @return array{string, array<string, mixed>} the path of a job, and the job */
    private static function job(Served $lead): array
    {
        $id = (string) $lead->send('GET', '/api/jobs?search=Weir')->json()['jobs'][0]['id'];

        return ["/api/jobs/{$id}", $lead->send('GET', "/api/jobs/{$id}")->json()];
    }

    private static function place(Served $lead, string $path): string
    {
        return (string) $lead->send('GET', $path)->json()['document']['place'];
    }

    /** @param array<string, mixed> $job */
    private static function keep(Served $lead, string $path, array $job, string $place): Answer
    {
        return $lead->send('PUT', $path, [
            'document' => ['place' => $place] + $job['document'],
            'from' => $job['revision'],
            'gesture' => 'edit',
        ], ['Idempotency-Key' => 'disk-'.hash('xxh128', $place)]);
    }
}
