<?php

declare(strict_types=1);

namespace Tests\Served;

use Closure;
use PHPUnit\Framework\TestCase;
use RuntimeException;
use Symfony\Component\Process\Process;
use Tests\Support\Installation;
use Tests\Support\Served;

/**
 * A node of each kind is killed while people work: the application, the database that is written to, Redis. Nobody is
 * signed out, nothing acknowledged is lost, nothing is carried out twice, and writes go on within ten seconds.
 * `bin/bench cluster` does it 20 times each.
 */
final class ClusterTest extends TestCase
{
    private const EDITORS = 3;

    /** Writes go on after so long at the most. */
    private const STALL_S = 10.0;

    private string $var;

    private Installation $cluster;

    /** @var list<Process> */
    private array $editors = [];

    protected function setUp(): void
    {
        $this->var = sys_get_temp_dir().'/fall-bend-cluster-'.bin2hex(random_bytes(4));
        mkdir($this->var, 0755);
        $this->cluster = new Installation($this->var, ['--cluster']);
    }

    protected function tearDown(): void
    {
        touch("{$this->var}/stop");
        foreach ($this->editors as $editor) {
            $editor->stop(20);
        }
        $this->cluster->stop();
        exec('rm -rf '.escapeshellarg($this->var));
    }

    public function testWhicheverNodeIsKilledNothingAcknowledgedIsLost(): void
    {
        $rounds = (int) (getenv('CLUSTER_ROUNDS') ?: 1);
        $this->cluster->start();
        $this->work();
        $stalls = [];
        for ($round = 0; $round < $rounds; $round++) {
            $kinds = ['application' => $round % 2 === 0 ? 'a' : 'b', 'redis' => 'redis', 'database' => $this->writer()];
            foreach ($kinds as $kind => $node) {
                sleep(2);
                $at = microtime(true);
                $this->kill($node);
                $this->untilWhole("{$node}, killed in round {$round}");
                $stalls[$kind][] = $this->stallAfter($at);
            }
        }
        sleep(2);
        touch("{$this->var}/stop");
        foreach ($this->editors as $n => $editor) {
            $editor->wait();
            $last = implode(' ', array_slice($this->lines($n), -1));
            self::assertSame(0, $editor->getExitCode(), "editor {$n}: {$last}");
        }
        [$edits, $entries] = $this->assertAllIsThere();
        foreach ($stalls as $kind => $seconds) {
            self::assertLessThan(self::STALL_S, max($seconds), "{$kind}: writes go on");
        }
        if ($rounds > 1) {
            fprintf(STDOUT, "\n%d rounds, %d edits, %d entries, all there once.\n", $rounds, $edits, $entries);
            foreach ($stalls as $kind => $seconds) {
                sort($seconds);
                $median = $seconds[intdiv(count($seconds), 2)];
                fprintf(STDOUT, '%-12s killed: writes stood still for %.1f s, ', $kind, $median);
                fprintf(STDOUT, "at most %.1f s\n", max($seconds));
            }
        }
    }

    public function testANodeOfItsOwnServesWhatTheClusterHas(): void
    {
        $this->cluster->start();
        $ports = (array) parse_ini_file("{$this->var}/cluster/ports");
        $secret = trim((string) file_get_contents("{$this->var}/cluster/db.secret"));
        $node = new Installation("{$this->var}/node", ['--node'], null, [
            'FALL_BEND_KEY' => trim((string) file_get_contents("{$this->var}/cluster/app.key")),
            'DB_HOST' => '127.0.0.1',
            'DB_PORT' => $ports['PORT_database'],
            'DB_DATABASE' => 'fallbend',
            'DB_USERNAME' => 'fallbend',
            'DB_PASSWORD' => $secret,
            'CACHE_STORE' => 'redis',
            'QUEUE_CONNECTION' => 'redis',
            'REDIS_HOST' => '127.0.0.1',
            'REDIS_PORT' => $ports['PORT_redis'],
            'REDIS_PASSWORD' => $secret,
        ]);
        try {
            $node->start();
            $lead = Served::as('lead', $this->cluster->address);
            $id = (string) $lead->send('GET', '/api/jobs?search=Weir')->json()['jobs'][0]['id'];
            // Whoever is signed in is, whichever node answers.
            $there = $lead->at($node->address);
            $job = $there->send('GET', "/api/jobs/{$id}");
            self::assertSame(200, $job->status, $job->said());
            $kept = $there->send('PUT', "/api/jobs/{$id}", [
                'document' => ['place' => 'from the other node'] + $job->json()['document'],
                'from' => $job->json()['revision'],
                'gesture' => 'edit',
            ]);
            self::assertSame(200, $kept->status, $kept->said());
            self::assertSame('from the other node', $lead->send('GET', "/api/jobs/{$id}")->json()['document']['place']);
            $this->expectExceptionMessage('has no database of its own');
            $this->ran(['bin/backup'], ['FALL_BEND_VAR' => "{$this->var}/node"]);
        } finally {
            $node->stop();
        }
    }

    public function testABackupHasWhatTheClusterHasAndAClusterOrOneMachineBeginsWithIt(): void
    {
        $this->cluster->start();
        [$job, $picture] = $this->jobWithAPicture();
        $to = "{$this->var}/to";
        file_put_contents("{$this->var}/key", bin2hex(random_bytes(32)));
        $key = ['--key', "{$this->var}/key"];
        $this->ran(['bin/backup', '--to', $to, ...$key]);
        self::assertStringContainsString('can be restored', $this->ran(['bin/verify', '--from', $to, ...$key]));
        // On a machine of its own there is nothing but the socket of the database, and what the nodes are told.
        $told = (string) file_get_contents("{$this->var}/start/environment");
        $this->ran(['bin/backup', '--to', "{$to}-2", '--database', "{$this->var}/cluster/db2/mariadb.sock"], [
            'FALL_BEND_VAR' => "{$this->var}/apart",
            'FALL_BEND_KEY' => trim((string) file_get_contents("{$this->var}/cluster/app.key")),
        ] + self::environment($told));
        $this->cluster->stop();

        // One machine begins with what a cluster had, and a cluster with what one machine had.
        $last = (string) (glob("{$to}/whole-*")[0] ?? '');
        $this->ran(['bin/restore', $last, '--into', "{$this->var}/one", ...$key]);
        $one = new Installation("{$this->var}/one", ['--empty']);
        $this->assertThere($one, $job, $picture, function () use ($to): void {
            $this->ran(['bin/backup', '--to', "{$to}-3"], ['FALL_BEND_VAR' => "{$this->var}/one"]);
        });
        $last = (string) (glob("{$to}-3/whole-*")[0] ?? '');
        $this->ran(['bin/restore', $last, '--into', "{$this->var}/again", '--cluster']);
        $this->assertThere(new Installation("{$this->var}/again", ['--cluster', '--empty']), $job, $picture);

        unlink((string) (glob("{$to}-2/pictures/*")[0] ?? ''));
        $this->expectExceptionMessage('of the backup is missing');
        $this->ran(['bin/restore', (string) (glob("{$to}-2/whole-*")[0] ?? ''), '--into', "{$this->var}/none"]);
    }

    private function work(): void
    {
        for ($n = 0; $n < self::EDITORS; $n++) {
            $out = "{$this->var}/editor-{$n}";
            $script = __DIR__.'/../Support/editor.php';
            $command = [PHP_BINARY, $script, $this->cluster->address, "{$this->var}/stop", $out];
            $this->editors[] = $editor = new Process($command, timeout: null);
            $editor->start();
        }
        for ($i = 0; $i < 200 && count($this->lines(0)) < 5; $i++) {
            usleep(100_000);
        }
        self::assertGreaterThanOrEqual(5, count($this->lines(0)), 'the editors work');
    }

    /** @return array{string, string} the path of a job that was changed, and that of a picture of it */
    private function jobWithAPicture(): array
    {
        $lead = Served::as('lead', $this->cluster->address);
        $job = '/api/jobs/'.$lead->send('GET', '/api/jobs?search=Weir')->json()['jobs'][0]['id'];
        $now = $lead->send('GET', $job)->json();
        $kept = $lead->send('PUT', $job, [
            'document' => ['place' => 'before the backup'] + $now['document'],
            'from' => $now['revision'],
            'gesture' => 'edit',
        ]);
        self::assertSame(200, $kept->status, $kept->said());
        $jpeg = (string) file_get_contents(__DIR__.'/../Support/joint.jpg');
        $put = $lead->send('POST', "{$job}/photographs", $jpeg, ['Content-Type' => 'image/jpeg']);
        self::assertSame(201, $put->status, $put->said());

        return [$job, "{$job}/photographs/{$put->json()['hash']}"];
    }

    /** @param ?Closure(): void $then what is done while it is served */
    private function assertThere(Installation $in, string $job, string $picture, ?Closure $then = null): void
    {
        try {
            $in->start();
            $lead = Served::as('lead', $in->address);
            self::assertSame('before the backup', $lead->send('GET', $job)->json()['document']['place']);
            self::assertSame(200, $lead->send('GET', $picture)->status);
            if ($then !== null) {
                $then();
            }
        } finally {
            $in->stop();
        }
    }

    /**
     * @param list<string> $command
     * @param array<string, string> $told
     */
    private function ran(array $command, array $told = []): string
    {
        $told += ['FALL_BEND_VAR' => $this->var];
        $process = new Process($command, dirname(__DIR__, 2), $told + Installation::withoutTests(), timeout: 300);
        if ($process->run() !== 0) {
            throw new RuntimeException($process->getOutput().$process->getErrorOutput());
        }

        return $process->getOutput();
    }

    /** @return array<string, string> what a file of `declare -x NAME="…"` names */
    private static function environment(string $file): array
    {
        preg_match_all('/^declare -x (\w+)="(.*)"$/m', $file, $found);
        $of = array_combine($found[1], $found[2]);
        unset($of['FALL_BEND_VAR']);

        return $of;
    }

    /** Ends a node as a machine ends that loses its power. */
    private function kill(string $node): void
    {
        $parts = in_array($node, ['a', 'b'], true) ? ["{$node}_nginx", "{$node}_fpm", "{$node}_heavy"] : [$node];
        foreach ($parts as $part) {
            $group = (int) file_get_contents("{$this->var}/cluster/{$part}/group");
            self::assertTrue(posix_kill(-$group, SIGKILL), "{$part} runs");
        }
    }

    /** Which node of the database is written to. */
    private function writer(): string
    {
        $said = $this->sql('SELECT @@wsrep_node_name');
        self::assertMatchesRegularExpression('/^db[123]\z/', $said);

        return $said;
    }

    /** Waits until every node is there again, and the database has three. */
    private function untilWhole(string $after): void
    {
        for ($i = 0; $i < 240; $i++) {
            usleep(250_000);
            $alive = true;
            foreach ((array) glob("{$this->var}/cluster/*/group") as $note) {
                $alive = $alive && posix_kill((int) file_get_contents((string) $note), 0);
            }
            if ($alive && $this->sql("SELECT VARIABLE_VALUE FROM information_schema.GLOBAL_STATUS WHERE
                VARIABLE_NAME = 'wsrep_cluster_size'") === '3') {
                return;
            }
        }
        self::fail("The cluster is not whole again: {$after}");
    }

    private function sql(string $query): string
    {
        preg_match('/^PORT_database=(\d+)$/m', (string) file_get_contents("{$this->var}/cluster/ports"), $found);
        $secret = trim((string) file_get_contents("{$this->var}/cluster/db.secret"));
        $at = ['-h', '127.0.0.1', '-P', $found[1] ?? '', '-u', 'fallbend', "-p{$secret}", 'fallbend'];
        $asked = new Process(['mariadb', '--no-defaults', '-N', '-e', $query, ...$at], timeout: 20);
        $asked->run();

        return trim($asked->getOutput());
    }

    /** The longest time for which an editor had nothing acknowledged, since a moment. */
    private function stallAfter(float $from): float
    {
        sleep(1);
        $longest = 0.0;
        for ($n = 0; $n < self::EDITORS; $n++) {
            $last = $from;
            foreach ($this->lines($n) as $line) {
                $at = (float) (json_decode($line, true)['at'] ?? 0);
                if ($at >= $from) {
                    $longest = max($longest, $at - $last);
                    $last = $at;
                }
            }
            $longest = max($longest, microtime(true) - $last - 1.0);
        }

        return $longest;
    }

    /** @return array{int, int} how many edits and entries were acknowledged; each is there, once */
    private function assertAllIsThere(): array
    {
        $lead = Served::as('lead', $this->cluster->address);
        [$edits, $entries] = [0, 0];
        for ($n = 0; $n < self::EDITORS; $n++) {
            $noted = array_map(static fn (string $line): array => (array) json_decode($line, true), $this->lines($n));
            $job = (string) ($noted[0]['job'] ?? '');
            $edited = array_column($noted, 'edit');
            $said = array_column($noted, 'entry');
            $now = $lead->send('GET', "/api/jobs/{$job}")->json();
            self::assertSame(1 + count($edited), $now['revision'], "editor {$n}: each edit once");
            $last = 'place '.max([0, ...$edited]);
            self::assertSame($last, $now['document']['place'], "editor {$n}: the last one stands");
            self::assertSame($said, self::keysOfLog($lead, $job), "editor {$n}: each entry once, in order");
            [$edits, $entries] = [$edits + count($edited), $entries + count($said)];
        }

        return [$edits, $entries];
    }

    /** @return list<string> of all entries, which come in pages */
    private static function keysOfLog(Served $lead, string $job): array
    {
        $keys = [];
        do {
            $page = $lead->send('GET', "/api/jobs/{$job}/log?after=".count($keys))->json()['entries'];
            array_push($keys, ...array_column($page, 'key'));
        } while ($page !== []);

        return $keys;
    }

    /** @return list<string> */
    private function lines(int $editor): array
    {
        $text = (string) @file_get_contents("{$this->var}/editor-{$editor}");

        return array_values(array_filter(explode("\n", $text), static fn (string $line): bool => $line !== ''));
    }
}
