<?php

declare(strict_types=1);

namespace Tests\Feature;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** The command as a script calls it: a process, its input, its output, its exit code. */
final class ReckonCommandTest extends TestCase
{
    /**
     * @return iterable<string, array{list<string>, string, int, string}> arguments, input, exit code, part of the
     *     output
     */
    public static function calls(): iterable
    {
        yield 'compound bend' => [
            ['compound-bend'],
            '{"first_deg":45,"second_deg":45,"target_deg":60,"od_mm":88.9}',
            0,
            '"mark_mm":69.82',
        ];
        yield 'rolling offset' => [
            ['rolling-offset'],
            '{"offset_mm":300,"rise_mm":400,"bend_deg":45,"take_off_mm":[45,45]}',
            0,
            '"cut_mm":617.1',
        ];
        yield 'fall' => [['fall'], '{"length_mm":3048,"fall_mm_per_m":20.833}', 0, '"drop_mm":63.49'];
        yield 'bad input' => [['fall'], '{"length_mm":"far"}', 2, '{"error":{"field":"length_mm"'];
        yield 'no JSON' => [['fall'], 'far', 2, '{"error":{"field":""'];
        yield 'unknown' => [['guess'], '{}', 2, '{"error":{"field":"name"'];
        yield 'list' => [['--list'], '', 0, "rolling-offset\t"];
        yield 'schema' => [['fall', '--schema'], '', 0, 'https://json-schema.org/draft/2020-12/schema'];
    }

    /** @param list<string> $arguments */
    #[DataProvider('calls')]
    public function testAnswers(array $arguments, string $input, int $code, string $part): void
    {
        $process = new Process([PHP_BINARY, 'artisan', 'reckon', ...$arguments], dirname(__DIR__, 2));
        $process->setInput($input);
        self::assertSame($code, $process->run());
        self::assertStringContainsString($part, $process->getOutput());
        self::assertSame('', $process->getErrorOutput());
        if ($arguments !== ['--list']) {
            self::assertJson($process->getOutput(), 'nothing else is printed');
        }
    }
}
