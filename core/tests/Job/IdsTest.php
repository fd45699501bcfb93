<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Job;

use FallBend\Core\Job\Ids;
use PHPUnit\Framework\TestCase;

/** Ids that nothing has yet. */
final class IdsTest extends TestCase
{
    public function testAFreeIdIsGivenAsItIs(): void
    {
        self::assertSame('sink', Ids::free('sink', ['sinks', 'sink-2']));
    }

    public function testATakenOneGetsTheNextNumber(): void
    {
        self::assertSame('sink-2', Ids::free('sink', ['sink']));
        self::assertSame('sink-4', Ids::free('sink', ['sink', 'sink-2', 'sink-3']));
        self::assertSame('sink-3', Ids::free('sink-2', ['sink', 'sink-2']));
    }

    public function testALongOneIsCutSoThatANumberHasRoom(): void
    {
        $long = str_repeat('a', 40);
        self::assertSame(str_repeat('a', 34), Ids::free($long, []));
        self::assertSame(str_repeat('a', 34).'-2', Ids::free($long, [str_repeat('a', 34)]));
    }
}
