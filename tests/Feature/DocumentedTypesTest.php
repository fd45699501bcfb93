<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Api\DocumentedTypes;
use LogicException;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\DocumentedAnswer;

final class DocumentedTypesTest extends TestCase
{
    /** @return iterable<string, array{string, mixed}> field of the answer, its schema */
    public static function fields(): iterable
    {
        yield 'text' => ['name', ['type' => 'string']];
        yield 'a number, or null' => ['number', ['type' => ['integer', 'null']]];
        yield 'a list of a type of the same class' => [
            'many',
            ['type' => 'array', 'items' => ['$ref' => '#/components/schemas/Part']],
        ];
        yield 'a map that may be empty' => [
            'by_name',
            ['type' => 'object', 'additionalProperties' => ['type' => 'number']],
        ];
        yield 'an object that may be empty' => [
            'params',
            ['type' => 'object', 'additionalProperties' => ['type' => ['number', 'string']]],
        ];
        yield 'values of an enum' => ['severity', ['enum' => ['stop', 'warn', 'unknown', 'note']]];
        yield 'values of a constant, or null' => ['kind', ['enum' => ['one', 'two', null]]];
        yield 'words' => ['way', ['enum' => ['up', 'down']]];
        yield 'a number or text' => ['either', ['type' => ['integer', 'string']]];
    }

    #[DataProvider('fields')]
    public function testAFieldIsDescribedByItsType(string $field, mixed $schema): void
    {
        self::assertSame($schema, self::properties()[$field]);
    }

    public function testATypeOfAnotherClassThatHasNoNameIsWrittenOut(): void
    {
        $length = self::properties()['length'];
        self::assertSame(['type' => 'null'], $length['oneOf'][1] ?? null);
        self::assertSame(['mm', 'inch', 'feet', 'metric'], array_keys($length['oneOf'][0]['properties'] ?? []));
    }

    public function testWhatMayBeLeftOutIsNotRequired(): void
    {
        $schema = self::types()->schemas()['Answer'];
        self::assertNotContains('left_out', $schema['required']);
        self::assertContains('either', $schema['required']);
        self::assertFalse($schema['additionalProperties']);
    }

    public function testWhatIsDescribedElsewhereIsTakenFromThere(): void
    {
        $named = ['Answer' => [DocumentedAnswer::class, 'Whole']];
        $types = new DocumentedTypes($named, [[DocumentedAnswer::class, 'Part', ['type' => 'string']]]);
        self::assertSame(['type' => 'string'], $types->schemas()['Answer']['properties']['many']['items']);
    }

    public function testWhatCannotBeAnsweredIsRefused(): void
    {
        $this->expectException(LogicException::class);
        $this->expectExceptionMessage('cannot be described');
        (new DocumentedTypes(['Unheard' => [DocumentedAnswer::class, 'Unheard']]))->schemas();
    }

    public function testATypeThatNobodyDocumentsIsRefused(): void
    {
        $this->expectException(LogicException::class);
        $this->expectExceptionMessage('documents no Nowhere');
        (new DocumentedTypes(['Nowhere' => [DocumentedAnswer::class, 'Nowhere']]))->schemas();
    }

    /** @return array<string, array<string, mixed>> */
    private static function properties(): array
    {
        return self::types()->schemas()['Answer']['properties'];
    }

    private static function types(): DocumentedTypes
    {
        return new DocumentedTypes([
            'Answer' => [DocumentedAnswer::class, 'Whole'],
            'Part' => [DocumentedAnswer::class, 'Part'],
        ]);
    }
}
