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
use PHPUnit\Framework\Assert;

/**
 * Runs called out as people of the trade say them.
 *
 * @phpstan-type Row array{
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
final class CallOutCase
{
    /** @param Row $case */
    public static function check(array $case): void
    {
        $reader = new RunReader(self::house($case['book'] ?? 'upc-2021'), Catalogue::shipped());
        ['run' => $run, 'phrases' => $phrases] = $reader->read($case['line']);
        $unread = array_merge(...array_map(static fn (Phrase $phrase): array => $phrase->unread, $phrases));
        $said = implode('; ', array_map(static fn (Unread $one): string => $one->message, $unread));
        if (isset($case['unread'])) {
            Assert::assertNull($run, $case['why']);
            Assert::assertStringContainsString($case['unread'], $said, $case['why']);

            return;
        }
        Assert::assertInstanceOf(Run::class, $run, "{$case['why']}: {$said}");
        $expect = $case['expect'] ?? [];
        Assert::assertSame($expect['system'] ?? $run->system, $run->system, $case['why']);
        Assert::assertSame($expect['size'] ?? $run->size, $run->size, $case['why']);
        Assert::assertSame($expect['variant'] ?? null, $run->outlet->fixture?->variant?->value, $case['why']);
        Assert::assertSame($expect['outlet'] ?? $run->outlet->what, $run->outlet->what, $case['why']);
        $pattern = $run->tieIn->branch?->pattern;
        Assert::assertSame($case['pattern'] ?? $pattern, $pattern, $case['why']);
        $leg = $run->legs[$case['legs'] ?? 0];
        $fitting = implode('+', $leg->fitting->patterns ?? []).($leg->isClose ? ' close' : '');
        Assert::assertSame($case['fitting'] ?? '', $fitting, $case['why']);
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
