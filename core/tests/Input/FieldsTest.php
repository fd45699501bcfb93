<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Input;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Measure\Units;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class FieldsTest extends TestCase
{
    /**
     * @return iterable<string, array{callable(Fields): mixed, string, string}> what is asked, place, part of the
     *     message
     */
    public static function refusals(): iterable
    {
        yield 'missing' => [static fn (Fields $f): string => $f->string('none'), 'in.none', 'is missing'];
        yield 'null counts as missing' => [
            static fn (Fields $f): string => $f->string('nothing'),
            'in.nothing',
            'is missing',
        ];
        yield 'number for text' => [static fn (Fields $f): string => $f->string('five'), 'in.five', 'must be text'];
        yield 'broken text' => [static fn (Fields $f): string => $f->string('broken'), 'in.broken', 'must be text'];
        yield 'text too long' => [static fn (Fields $f): string => $f->string('word', 2), 'in.word', 'at most 2'];
        yield 'not a choice' => [
            static fn (Fields $f): string => $f->choice('word', ['a', 'b']),
            'in.word',
            'one of a, b',
        ];
        yield 'no case of an enum' => [
            static fn (Fields $f): Units => $f->enum('word', Units::class),
            'in.word',
            'one of inch, mm',
        ];
        yield 'text for a number' => [static fn (Fields $f): float => $f->number('word'), 'in.word', 'must be a number'];
        yield 'not finite' => [
            static fn (Fields $f): float => $f->number('infinite'),
            'in.infinite',
            'must be a number',
        ];
        yield 'too small' => [static fn (Fields $f): float => $f->number('five', 6), 'in.five', 'at least 6'];
        yield 'too large' => [static fn (Fields $f): float => $f->number('five', -INF, 4), 'in.five', 'at most 4'];
        yield 'out of range' => [static fn (Fields $f): float => $f->number('five', 6, 7), 'in.five', 'from 6 to 7'];
        yield 'part for a whole number' => [
            static fn (Fields $f): int => $f->int('half', 0, 9),
            'in.half',
            'whole number',
        ];
        yield 'text for yes or no' => [
            static fn (Fields $f): bool => $f->bool('word', false),
            'in.word',
            'true or false',
        ];
        yield 'list for an object' => [
            static fn (Fields $f): Fields => $f->child('list'),
            'in.list',
            'must be an object',
        ];
        yield 'object for a list' => [static fn (Fields $f): array => $f->list('object'), 'in.object', 'must be a list'];
        yield 'list too long' => [static fn (Fields $f): array => $f->list('list', 1), 'in.list', 'at most 1'];
        yield 'no object in a list' => [
            static fn (Fields $f): array => $f->children('list'),
            'in.list.0',
            'must be an object',
        ];
    }

    /** @param callable(Fields): mixed $ask */
    #[DataProvider('refusals')]
    public function testRefusesAtThePlace(callable $ask, string $place, string $message): void
    {
        try {
            $ask(self::fields());
            self::fail('was taken');
        } catch (BadInput $bad) {
            self::assertSame($place, $bad->field);
            self::assertStringContainsString($message, $bad->getMessage());
        }
    }

    public function testWhatNobodyAskedForIsRefusedAtTheEnd(): void
    {
        $fields = Fields::of(['a' => 1, 'b' => 2], 'in');
        $fields->number('a');
        try {
            $fields->end();
            self::fail('was taken');
        } catch (BadInput $bad) {
            self::assertSame('in.b', $bad->field);
        }
        $fields->has('b');
        $fields->end();
    }

    public function testWhatIsGivenIsCutAndNeverEchoedWhole(): void
    {
        $error = BadInput::at('x', 'is wrong', str_repeat('a', 500))->toArray()['error'];
        self::assertSame(80, mb_strlen($error['given']));
        self::assertSame('a list of 3', BadInput::at('x', '', [1, 2, 3])->given);
        self::assertSame('an object', BadInput::at('x', '', ['a' => 1])->given);
        self::assertSame('not finite', BadInput::at('x', '', NAN)->given);
        self::assertJson((string) json_encode(BadInput::at('x', '', "\xFF\xFE")->toArray()));
    }

    public function testAnEmptyObjectIsAnObjectAndAnAbsentListIsEmpty(): void
    {
        self::assertSame([], Fields::of([])->children('none'));
        self::assertNull(Fields::of([])->childOrNull('none'));
        self::assertSame('else', Fields::of([])->stringOr('none', 'else'));
    }

    private static function fields(): Fields
    {
        return Fields::of(
            [
                'word' => 'word',
                'five' => 5,
                'half' => 0.5,
                'infinite' => INF,
                'nothing' => null,
                'broken' => "\xC3\x28",
                'list' => [1, 2],
                'object' => ['a' => 1],
            ],
            'in',
        );
    }
}
