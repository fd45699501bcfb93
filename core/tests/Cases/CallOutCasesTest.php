<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Cases;

use FallBend\Core\CallOut\Phrase;
use FallBend\Core\CallOut\RunReader;
use FallBend\Core\CallOut\Unread;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\Run;
use FallBend\Core\Tests\Network\CaseJob;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Runs called out as people of the trade say them.
 *
 * @phpstan-type CallOutCase array{
 *     line: string,
 *     why: string,
 *     book?: string,
 *     expect?: array{system?: string, size?: string, outlet?: string, variant?: string},
 *     legs?: int,
 *     fitting?: string,
 *     pattern?: string,
 *     unread?: string,
 * }
 */
final class CallOutCasesTest extends TestCase
{
    /** @param CallOutCase $case */
    #[DataProvider('cases')]
    public function testItIsUnderstoodAsItIsSaid(array $case): void
    {
        $reader = new RunReader(self::house($case['book'] ?? 'upc-2021'), Catalogue::shipped());
        ['run' => $run, 'phrases' => $phrases] = $reader->read($case['line']);
        $unread = array_merge(...array_map(static fn (Phrase $phrase): array => $phrase->unread, $phrases));
        $said = implode('; ', array_map(static fn (Unread $one): string => $one->message, $unread));
        if (isset($case['unread'])) {
            self::assertNull($run, $case['why']);
            self::assertStringContainsString($case['unread'], $said, $case['why']);

            return;
        }
        self::assertInstanceOf(Run::class, $run, "{$case['why']}: {$said}");
        $expect = $case['expect'] ?? [];
        self::assertSame($expect['system'] ?? $run->system, $run->system, $case['why']);
        self::assertSame($expect['size'] ?? $run->size, $run->size, $case['why']);
        self::assertSame($expect['variant'] ?? null, $run->outlet->fixture?->variant?->value, $case['why']);
        self::assertSame($expect['outlet'] ?? $run->outlet->what, $run->outlet->what, $case['why']);
        $pattern = $run->tieIn->branch?->pattern;
        self::assertSame($case['pattern'] ?? $pattern, $pattern, $case['why']);
        $leg = $run->legs[$case['legs'] ?? 0];
        $fitting = implode('+', $leg->fitting->patterns ?? []).($leg->isClose ? ' close' : '');
        self::assertSame($case['fitting'] ?? '', $fitting, $case['why']);
    }

    /** @return iterable<string, array{CallOutCase}> */
    public static function cases(): iterable
    {
        $file = json_decode((string) file_get_contents(__DIR__.'/callouts.json'), true, 8, JSON_THROW_ON_ERROR);
        foreach ($file['rows'] as $n => $case) {
            yield "{$n}: {$case['line']}" => [$case];
        }
    }

    private static function house(string $book): Job
    {
        $isUk = $book === 'adh-2015';
        $main = $isUk ? ['system' => 'pvcu-soil', 'size' => '110'] : ['size' => '3'];

        return CaseJob::of($book, [
            'stack' => ['roof', "down 12'", 'socket', $main],
            'line' => ['socket', "south 12' fall 1/4", 'socket', $main],
        ]);
    }
}
