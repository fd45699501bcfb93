<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/** What things of a job are told apart and called by. */
final class Named
{
    /**
     * Reads an id: small letters, digits and hyphens, with a letter among them.
     *
     * @throws BadInput
     */
    public static function id(Fields $fields): string
    {
        $id = $fields->string('id', 40);

        // Of digits alone it would be a number where it is a key.
        return preg_match('/^(?=.*[a-z])[a-z0-9-]+\z/', $id) === 1
            ? $id
            : throw BadInput::at(
                $fields->at('id'),
                'must be small letters, digits and hyphens, with a letter among them',
                $id,
            );
    }

    /**
     * Reads a name, which is not empty.
     *
     * @throws BadInput
     */
    public static function name(Fields $fields, string $key, int $most): string
    {
        $name = trim($fields->string($key, $most));

        return $name !== '' ? $name : throw BadInput::at($fields->at($key), 'must not be empty', $name);
    }
}
