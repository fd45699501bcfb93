<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

/**
 * A row that can be put down as the values that it is made of, and be made of them again: in a program of PHP these
 * stand ready
 * in memory, where reading the row would ask for each of its fields. Every property is promoted from the constructor.
 */
trait StoredRow
{
    /**
     * @return array{of: class-string, values: list<mixed>, within: list<int>} its class, what that is constructed of,
     *     and which of it are rows themselves
     */
    public function stored(): array
    {
        $values = array_values(get_object_vars($this));
        $isRow = static fn (mixed $value): bool => $value instanceof Storable ||
            (is_array($value) && ($value[0] ?? null) instanceof Storable);

        return [
            'of' => self::class,
            'values' => array_map(self::plain(...), $values),
            'within' => array_keys(array_filter($values, $isRow)),
        ];
    }

    /**
     * Makes the row again.
     *
     * @param list<mixed> $values what `stored` gave
     * @param list<int> $within
     */
    public static function fromStored(array $values, array $within): self
    {
        foreach ($within as $i) {
            $values[$i] = self::whole($values[$i]);
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

    /** @return Storable|array<array-key, mixed> */
    private static function whole(mixed $value): Storable|array
    {
        if (is_array($value) && isset($value['of'])) {
            /** @var array{of: class-string<Storable>, values: list<mixed>, within: list<int>} $value */
            return $value['of']::fromStored($value['values'], $value['within']);
        }

        return array_map(self::whole(...), (array) $value);
    }
}
