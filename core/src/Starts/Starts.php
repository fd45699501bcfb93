<?php

declare(strict_types=1);

namespace FallBend\Core\Starts;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\DataFile;
use FallBend\Core\Input\Fields;

/** All starts that ship: one file each in `core/data/starts`. */
final class Starts
{
    /** @var array<string, Start>|null */
    private static ?array $shipped = null;

    /**
     * @return array<string, Start> by id, in the order of their files
     *
     * @throws BadInput if a file is damaged
     */
    public static function shipped(): array
    {
        if (self::$shipped === null) {
            self::$shipped = [];
            $folder = DataFile::folder().'/starts';
            foreach (DataFile::names($folder) as $name) {
                $start = Start::read(Fields::of(DataFile::read("{$folder}/{$name}.json")));
                self::$shipped[$start->id] = $start;
            }
        }

        return self::$shipped;
    }
}
