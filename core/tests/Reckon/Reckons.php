<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Reckon;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Reckon\Reckoners;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;

/** Asks one reckoner with what ships with the core. */
trait Reckons
{
    /**
     * @param array<string, mixed> $input
     * @return array<string, mixed>
     */
    private static function reckon(string $name, array $input): array
    {
        return (new Reckoners(Catalogue::shipped()))->reckon($name, $input);
    }

    /**
     * @param array<string, mixed> $answer
     * @return list<string> ids of the rules that found something
     */
    private static function found(array $answer): array
    {
        return array_column(is_array($answer['findings']) ? $answer['findings'] : [], 'rule');
    }

    /** Holds what is asked or answered to the schema that the reckoner states for it. */
    private static function assertKeeps(string $name, string $side, mixed $value): void
    {
        $schema = json_encode((new Reckoners(Catalogue::shipped()))->schema($name)[$side], JSON_THROW_ON_ERROR);
        $error = (new Validator)->validate(json_decode(json_encode($value, JSON_THROW_ON_ERROR)), $schema)->error();
        self::assertNull(
            $error,
            $error === null ? '' : json_encode((new ErrorFormatter)->format($error), JSON_THROW_ON_ERROR),
        );
    }
}
