<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Job;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\PrintedTicket;
use PHPUnit\Framework\TestCase;

/** A cut ticket as it was put on paper. */
final class PrintedTicketTest extends TestCase
{
    /** @param array<string, mixed> $with */
    private static function read(array $with = []): PrintedTicket
    {
        $document = $with + [
            'run' => 'main',
            'on' => '2026-11-25',
            'pieces' => [['piece' => '7', 'letter' => 'A', 'length_mm' => 412.5]],
        ];

        return PrintedTicket::read(Fields::of($document), ['main']);
    }

    public function testAKeyOfDigitsIsAKeyToo(): void
    {
        self::assertSame([7 => ['letter' => 'A', 'length_mm' => 412.5]], self::read()->pieces);
    }

    public function testADayIsADay(): void
    {
        foreach (['25.11.2026', '2026-11', 'today'] as $day) {
            try {
                self::read(['on' => $day]);
                self::fail("{$day} was taken");
            } catch (BadInput $bad) {
                self::assertSame('on', $bad->field);
            }
        }
    }

    public function testItIsOfARunThatIsThere(): void
    {
        $this->expectExceptionMessage('one of main');
        self::read(['run' => 'gone']);
    }
}
