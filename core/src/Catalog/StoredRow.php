<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

/**
 * A row that can be put down as the values that it is made of, and be made of them again: in a program of PHP these stand ready
 * in memory, where reading the row would ask for each of its fields. Every property is promoted from the constructor.
 */
trait StoredRow
{
    /** @return array{of: class-string, values: list<mixed>} its class, and what that is constructed of */
    public function stored(): array
    {
        return ['of' => self::class, 'values' => array_map(self::plain(...), array_values(get_object_vars($this)))];
    }

    /**
     * Makes the row again.
     *
     * @param list<mixed> $values what `stored` gave
     */
    public static function fromStored(array $values): self
    {
        foreach ($values as $i => $value) {
            if (is_array($value)) {
                $values[$i] = self::whole($value);
            }
        }

        // @phpstan-ignore argument.type (what the constructor was given when the row was read)
        return new self(...$values);
    }

    private static function plain(mixed $value): mixed
    {
        return match (true) {
            is_array($value) => array_map(self::plain(...), $value),
            $value instanceof Storable => $value->stored(),
            default => $value,
        };
    }

    private static function whole(mixed $value): mixed
    {
        if (! is_array($value) || $value === []) {
            return $value;
        }
        if (isset($value['of'])) {
            /** @var array{of: class-string<Storable>, values: list<mixed>} $value */
            return $value['of']::fromStored($value['values']);
        }

        return is_array($value[0] ?? null) ? array_map(self::whole(...), $value) : $value;
    }
}
