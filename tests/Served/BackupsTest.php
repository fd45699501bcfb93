<?php

declare(strict_types=1);

namespace Tests\Served;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;
use Tests\Support\Installation;
use Tests\Support\Served;

/** What `bin/backup`, `bin/restore` and `bin/verify` promise in docs/trust.md, on the demo. */
final class BackupsTest extends TestCase
{
    private string $home;

    private ?Installation $served = null;

    protected function setUp(): void
    {
        $this->home = sys_get_temp_dir().'/fall-bend-backups-'.bin2hex(random_bytes(4));
        mkdir($this->home, 0755);
        file_put_contents("{$this->home}/key", bin2hex(random_bytes(32)));
    }

    protected function tearDown(): void
    {
        $this->served?->stop();
        exec('rm -rf '.escapeshellarg($this->home));
    }

    public function testLastNightsBackupAndTheLogsGiveTheStateOfAMinuteAgo(): void
    {
        $old = $this->start('old');
        $before = $this->edited($old, 'before the backup');
        $this->ran('old', ['bin/backup', ...$this->where()]);
        $this->edited($old, 'between');
        $picture = $this->picture($old);
        self::assertCount(1, glob("{$this->home}/old/start/store/pictures/*/*") ?: [], 'it stands in the store');
        $this->ran('old', ['bin/backup', 'log', ...$this->where()]);
        // Restored to a time, it is as it was then.
        sleep(2);
        $then = gmdate('Y-m-d H:i:s');
        sleep(2);
        $last = $this->edited($old, 'a minute ago');
        // The machine is gone, but for the disk with its logs.
        posix_kill($old->process('database'), SIGKILL);
        $old->ends(60);
        $backup = (string) (glob("{$this->home}/to/whole-*")[0] ?? '');
        $logs = ['--logs', $this->logs()];
        $this->ran('', ['bin/restore', $backup, '--into', "{$this->home}/new", ...$this->key(), ...$logs]);
        $this->assertState('new', 'a minute ago', $last);
        $more = [...$logs, '--until', $then];
        $this->ran('', ['bin/restore', $backup, '--into', "{$this->home}/then", ...$this->key(), ...$more]);
        $then = $this->assertState('then', 'between', $last - 1);
        self::assertSame(200, $then->send('GET', $picture)->status, 'pictures of the store are there, too');
        $this->ran('', ['bin/restore', $backup, '--into', "{$this->home}/sql", ...$this->key(), '--dump']);
        $this->assertState('sql', 'before the backup', $before);

        // What is not whole is not restored as if it were.
        $again = ['bin/restore', $backup, '--into', "{$this->home}/none"];
        self::assertStringContainsString('encrypted', $this->failed($again));
        $taken = [...$again, '--into', "{$this->home}/new", ...$this->key()];
        self::assertStringContainsString('is an installation in', $this->failed($taken));
        file_put_contents("{$this->home}/other", bin2hex(random_bytes(32)));
        self::assertStringContainsString('right key', $this->failed([...$again, '--key', "{$this->home}/other"]));
        $log = (string) (glob("{$this->home}/to/log-*/written.*")[0] ?? '');
        rename($log, "{$this->home}/aside");
        $gap = [...$again, '--into', "{$this->home}/gap", ...$this->key()];
        self::assertStringContainsString('missing', $this->failed($gap));
        $data = "{$backup}/data.mb.gz.enc";
        file_put_contents($data, 'x', FILE_APPEND);
        self::assertStringContainsString('not those that were written', $this->failed([...$again, ...$this->key()]));
    }

    public function testABackupIsTriedAndSaidToBeGoodOnlyWhereEveryJobCanBeRead(): void
    {
        $served = $this->start('old');
        $this->ran('old', ['bin/backup', ...$this->where()]);
        $said = $this->ran('old', ['bin/verify', '--from', "{$this->home}/to", ...$this->key()]);
        self::assertStringContainsString('can be restored', $said);
        $lead = Served::as('lead', $served->address);
        $status = $lead->send('GET', '/api/status')->json();
        self::assertFalse($status['backup_is_late']);
        self::assertNotNull($status['backups'][0]['verified_at']);
    }

    private function start(string $name): Installation
    {
        $this->served?->stop();
        $this->served = new Installation("{$this->home}/{$name}", environment: ['PICTURES_STORE' => 'store']);
        $this->served->start();

        return $this->served;
    }

    /** Changes the first job, and gives the revision that it is in now. */
    private function edited(Installation $in, string $place): int
    {
        $lead = Served::as('lead', $in->address);
        $id = (string) $lead->send('GET', '/api/jobs?search=Weir')->json()['jobs'][0]['id'];
        $job = $lead->send('GET', "/api/jobs/{$id}")->json();
        $kept = $lead->send('PUT', "/api/jobs/{$id}", [
            'document' => ['place' => $place] + $job['document'],
            'from' => $job['revision'],
            'gesture' => 'edit',
        ]);
        self::assertSame(200, $kept->status, $kept->said());

        return (int) $kept->json()['revision'];
    }

    /** Gives the path of a picture of the first job. */
    private function picture(Installation $in): string
    {
        $lead = Served::as('lead', $in->address);
        $pictures = "/api/jobs/{$lead->send('GET', '/api/jobs?search=Weir')->json()['jobs'][0]['id']}/photographs";
        $jpeg = (string) file_get_contents(dirname(__DIR__).'/Support/joint.jpg');
        $put = $lead->send('POST', $pictures, $jpeg, ['Content-Type' => 'image/jpeg']);
        self::assertSame(201, $put->status, $put->said());

        return "{$pictures}/{$put->json()['hash']}";
    }

    private function assertState(string $name, string $place, int $revision): Served
    {
        $in = $this->start($name);
        $lead = Served::as('lead', $in->address);
        $id = (string) $lead->send('GET', '/api/jobs?search=Weir')->json()['jobs'][0]['id'];
        $job = $lead->send('GET', "/api/jobs/{$id}")->json();
        self::assertSame([$place, $revision], [$job['document']['place'], $job['revision']]);

        return $lead;
    }

    /** The logs of the old database. */
    private function logs(): string
    {
        return "{$this->home}/old/start/mariadb/log";
    }

    /** @return list<string> */
    private function where(): array
    {
        return ['--to', "{$this->home}/to", ...$this->key()];
    }

    /** @return list<string> */
    private function key(): array
    {
        return ['--key', "{$this->home}/key"];
    }

    /** @param list<string> $command */
    private function ran(string $name, array $command): string
    {
        $process = $this->process($name, $command);
        self::assertTrue($process->isSuccessful(), $process->getOutput().$process->getErrorOutput());

        return $process->getOutput();
    }

    /** @param list<string> $command */
    private function failed(array $command): string
    {
        $process = $this->process('', $command);
        self::assertFalse($process->isSuccessful(), $process->getOutput());

        return $process->getErrorOutput();
    }

    /** @param list<string> $command */
    private function process(string $name, array $command): Process
    {
        $var = $name === '' ? [] : ['FALL_BEND_VAR' => "{$this->home}/{$name}"];
        $process = new Process($command, dirname(__DIR__, 2), $var + Installation::withoutTests(), timeout: 240);
        $process->run();

        return $process;
    }
}
