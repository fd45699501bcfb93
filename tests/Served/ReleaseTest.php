<?php

declare(strict_types=1);

namespace Tests\Served;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;
use Tests\Support\Installation;
use Tests\Support\Served;

/**
 * A release as docs/install.md says: made, looked at, unpacked into an empty folder, put in the place of the release
 * before with what people entered there, taken back, and put in again.
 */
final class ReleaseTest extends TestCase
{
    private const ROOT = __DIR__.'/../..';

    /** A backup that the release before took of itself. */
    private const BEFORE = self::ROOT.'/tests/fixtures/release-0.14.0';

    private string $home;

    private ?Installation $served = null;

    protected function setUp(): void
    {
        $this->home = sys_get_temp_dir().'/fall-bend-release-'.bin2hex(random_bytes(4));
        mkdir($this->home, 0755);
    }

    protected function tearDown(): void
    {
        $this->served?->stop();
        exec('rm -rf '.escapeshellarg($this->home));
    }

    public function testItIsMadeInstalledUpgradedAndTakenBack(): void
    {
        $this->ran(['bin/release', '--to', "{$this->home}/made"], self::ROOT);
        $app = $this->unpacked();
        $this->assertHasOnlyWhatServes($app);

        $this->ran(['bin/restore', (string) realpath(self::BEFORE), '--into', "{$this->home}/var", '--dump'], $app);
        $before = $this->schema($app);
        $revision = $this->assertPeopleHaveWhatTheyHad($app);
        // Back to the release before: the database is again as that one has it.
        $this->ran(['bin/artisan', 'migrate:rollback', '--force'], $app);
        $this->served?->stop();
        self::assertSame($before, $this->schema($app));
        // The release before knows nothing of what this one compiled, and this one copes with what another one left.
        self::assertSame([], glob("{$this->home}/var/start/*.php"));
        $foreign = '<?php return ["app" => ["providers" => ["App\\Of\\Another\\Release"]]];';
        file_put_contents("{$this->home}/var/start/config.php", $foreign);
        self::assertSame($revision + 1, $this->assertPeopleHaveWhatTheyHad($app));
    }

    private function unpacked(): string
    {
        $made = "{$this->home}/made";
        $this->ran(['sha256sum', '--check', 'SHA256SUMS'], $made);
        $version = trim((string) file_get_contents(self::ROOT.'/VERSION'));
        $this->ran(['tar', '-xzf', "{$made}/fall-bend-{$version}.tar.gz", '-C', $this->home], $this->home);

        return "{$this->home}/fall-bend-{$version}";
    }

    private function assertHasOnlyWhatServes(string $app): void
    {
        foreach (['tests', 'core/tests', 'node_modules', 'vendor/phpunit', 'resources/js', 'phpunit.xml'] as $none) {
            self::assertFileDoesNotExist("{$app}/{$none}");
        }
        self::assertFileExists("{$app}/public/build/manifest.json");
        self::assertFalse(is_link("{$app}/vendor/fall-bend/core"), 'the core is in it, and no link to it');
        $bill = (array) json_decode((string) file_get_contents("{$app}/SBOM.cdx.json"), true);
        self::assertSame(['CycloneDX', '1.5'], [$bill['bomFormat'], $bill['specVersion']]);
        $components = (array) $bill['components'];
        $named = array_column($components, 'name');
        foreach (['laravel/framework', 'react', 'fall-bend/core'] as $one) {
            self::assertContains($one, $named);
        }
        self::assertNotContains('phpunit/phpunit', $named);
        self::assertNotContains('vitest', $named);
        self::assertSame(array_unique(array_column($components, 'bom-ref')), array_column($components, 'bom-ref'));
        foreach ($components as $component) {
            self::assertMatchesRegularExpression('~^pkg:(composer|npm)/[^ ]+@[^ ]+\z~', $component['purl']);
        }
    }

    /** Serves it, and gives the revision in which the job of the test is, which it changes. */
    private function assertPeopleHaveWhatTheyHad(string $app): int
    {
        $this->served = new Installation("{$this->home}/var", ['--empty'], $app);
        $this->served->start();
        $lead = Served::as('lead', $this->served->address);
        $session = $lead->send('GET', '/api/session')->json();
        self::assertSame('owner', $session['crews'][0]['role']);
        $apprentice = Served::as('apprentice', $this->served->address)->send('GET', '/api/session')->json();
        self::assertSame('lead', $apprentice['crews'][0]['role']);
        self::assertCount(4, $lead->send('GET', '/api/jobs')->json()['jobs']);
        $id = (string) $lead->send('GET', '/api/jobs?search=Weir')->json()['jobs'][0]['id'];
        $job = $lead->send('GET', "/api/jobs/{$id}")->json();
        self::assertStringStartsWith('changed before the upgrade', $job['document']['place']);
        $log = $lead->send('GET', "/api/jobs/{$id}/log")->json()['entries'];
        self::assertContains('before-upgrade', array_column($log, 'key'));
        self::assertCount(1, $lead->send('GET', "/api/jobs/{$id}/shares")->json()['shares']);
        self::assertCount(1, $lead->send('GET', '/api/catalogue/own')->json()['own']);
        $edit = ['place' => 'changed before the upgrade, and after'] + $job['document'];
        $kept = $lead->send('PUT', "/api/jobs/{$id}", [
            'document' => ['place' => "{$edit['place']} {$job['revision']}"] + $edit,
            'from' => $job['revision'],
            'gesture' => 'edit',
        ]);
        self::assertSame(200, $kept->status, $kept->said());

        return (int) $job['revision'];
    }

    /** The tables of the database, without what is in them. */
    private function schema(string $app): string
    {
        $script = <<<'SH'
            . bin/lib/common.sh; . bin/lib/servers.sh; . bin/lib/database.sh
            choose_server_user >/dev/null
            start_database start fallbend
            mariadb-dump --no-defaults --socket="$DB_SOCKET_PATH" -u "$DB_ADMIN" --no-data --skip-comments fallbend
            stop_database
            SH;

        return (string) preg_replace('/ AUTO_INCREMENT=\d+/', '', $this->ran(['bash', '-euc', $script], $app));
    }

    /** @param list<string> $command */
    private function ran(array $command, string $folder): string
    {
        $environment = ['FALL_BEND_VAR' => "{$this->home}/var"] + Installation::withoutTests();
        $process = new Process($command, $folder, $environment, timeout: 400);
        $process->run();
        self::assertTrue($process->isSuccessful(), $process->getOutput().$process->getErrorOutput());

        return $process->getOutput();
    }
}
