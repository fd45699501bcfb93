<?php

declare(strict_types=1);

namespace Tests\Feature;

use Tests\TestCase;

/** What opens the application without a connection knows every file that its pages are made of. */
final class WorkerTest extends TestCase
{
    public function testItNamesEveryFileOfTheBuildAndEachIsThere(): void
    {
        $script = (string) $this->get('/worker.js')
            ->assertOk()
            ->assertHeader('Content-Type', 'text/javascript; charset=utf-8')
            ->assertHeader('Service-Worker-Allowed', '/')
            ->getContent();
        preg_match('/^const SHELL = (\{.*\});$/m', $script, $found);
        $shell = json_decode($found[1] ?? '', true, 8, JSON_THROW_ON_ERROR);
        self::assertMatchesRegularExpression('/^[0-9a-f]{16}$/', $shell['version']);
        $manifest = json_decode(
            (string) file_get_contents(public_path('build/manifest.json')),
            true,
            16,
            JSON_THROW_ON_ERROR,
        );
        self::assertGreaterThan(20, count($shell['files']));
        self::assertSame($shell['files'], array_unique($shell['files']));
        foreach ($manifest as $one) {
            self::assertContains("/build/{$one['file']}", $shell['files']);
        }
        foreach ($shell['files'] as $file) {
            self::assertFileExists(public_path($file));
        }
        self::assertStringContainsString('addEventListener', $script);
        self::assertDoesNotMatchRegularExpression('/^(import|export) /m', $script, 'it is one script');
    }

    public function testItNeedsNobodySignedInAndBeginsNoSession(): void
    {
        $this->get('/worker.js')->assertOk()->assertCookieMissing((string) config('session.cookie'));
        $manifest = json_decode((string) file_get_contents(public_path('manifest.webmanifest')), true);
        foreach ($manifest['icons'] as $icon) {
            self::assertFileExists(public_path($icon['src']));
        }
    }

    public function testAPageNamesWhatItsAddressShowsFirst(): void
    {
        $named = fn (string $address): array => preg_match_all(
            '~modulepreload" fetchpriority="low" href="/build/assets/([a-zA-Z]+)-~',
            (string) $this->get($address)->assertOk()->getContent(),
            $found,
        ) > 0
            ? $found[1]
            : [];
        self::assertContains('board', $named('/'));
        self::assertNotContains('job', $named('/'));
        self::assertContains('job', $named('/jobs/a/runs/b'));
        self::assertNotContains('cut', $named('/jobs/a/runs/b'));
        self::assertContains('cut', $named('/jobs/a/runs/b/cut'));
        self::assertContains('glueup', $named('/jobs/a/runs/b/glue-up'));
        self::assertContains('house', $named('/jobs/a/runs/b/route?view=house'));
        self::assertContains('deviceAnswers', $named('/account'));
    }
}
