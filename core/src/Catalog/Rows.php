<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use ArrayAccess;
use ArrayIterator;
use Closure;
use Countable;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\DataFile;
use FallBend\Core\Input\Fields;
use IteratorAggregate;
use LogicException;

/**
 * The rows of a table by their ids, each read when it is first asked for: a job asks for a few of the hundreds that
 * there are.
 *
 * @phpstan-import-type RowValues from DataFile
 *
 * @template T of Storable
 *
 * @implements ArrayAccess<array-key, T>
 * @implements IteratorAggregate<string, T>
 */
final class Rows implements ArrayAccess, Countable, IteratorAggregate
{
    /** @var array<array-key, T> */
    private array $read = [];

    /** @var array<string, list<T>> by field and value */
    private array $having = [];

    /** @var array<string, array<array-key, list<string>>> ids by field and value */
    private array $indexes = [];

    /** @var array<array-key, int>|null places in the list by id; an id of digits is a number there */
    private ?array $places = null;

    /**
     * @param list<mixed> $list as it stands in a file
     * @param string $at the place of the list in its file
     * @param Closure(Fields): T $reader
     * @param string $id the field that tells the rows apart
     * @param array<array-key, RowValues> $stored rows that were read before, as their values, by id
     */
    private function __construct(
        private readonly array $list,
        private readonly string $at,
        private readonly Closure $reader,
        private readonly string $id,
        private readonly array $stored,
    ) {}

    /**
     * Takes a list of rows as it stands in a file.
     *
     * @template R of Storable
     *
     * @param Closure(Fields): R $reader
     * @param string $id the field that tells the rows apart
     * @param array<array-key, RowValues> $stored rows that were read before, as their values, by id
     * @return self<R>
     *
     * @throws BadInput if it is no list
     */
    public static function under(
        Fields $file,
        string $key,
        Closure $reader,
        string $id = 'id',
        array $stored = [],
    ): self {
        return new self($file->list($key), $file->at($key), $reader, $id, $stored);
    }

    /** @return list<string> in the order of the file */
    public function ids(): array
    {
        return array_map(strval(...), array_keys($this->places()));
    }

    /**
     * Gives a row as it stands in the file; null where there is none.
     *
     * @return array<array-key, mixed>|null
     */
    public function raw(string|int $id): ?array
    {
        $place = $this->places()[$id] ?? null;

        return $place === null ? null : (array) $this->list[$place];
    }

    /**
     * @return list<string> the ids of the rows that have a value in a field, in the order of the file; none of them is
     *     read
     */
    public function idsHaving(string $field, string $value): array
    {
        if (! isset($this->indexes[$field])) {
            $index = [];
            foreach (array_column($this->list, $field, $this->id) as $id => $has) {
                if (is_string($has)) {
                    $index[$has][] = (string) $id;
                }
            }
            $this->indexes[$field] = $index;
        }

        return $this->indexes[$field][$value] ?? [];
    }

    /**
     * @return list<T> the rows that have a value in a field, in the order of the file; no other is read
     *
     * @throws BadInput if one of them is wrong
     */
    public function having(string $field, string $value): array
    {
        return $this->having["{$field}={$value}"] ??= array_map($this->row(...), $this->idsHaving($field, $value));
    }

    /**
     * @return array<string, T> all of them, by id
     *
     * @throws BadInput if one is wrong
     */
    public function all(): array
    {
        // In the order of the file, in whatever order they were read.
        $all = [];
        foreach (array_keys($this->places()) as $id) {
            $all[$id] = $this->row($id);
        }

        /** @var array<string, T> $all */
        return $all;
    }

    /** Whether the table has a row of that id. */
    public function offsetExists(mixed $offset): bool
    {
        return isset($this->places()[$offset]);
    }

    /**
     * @return T
     *
     * @throws BadInput if the row is wrong
     */
    public function offsetGet(mixed $offset): object
    {
        return $this->row($offset);
    }

    /** Refuses: a table is not changed. */
    public function offsetSet(mixed $offset, mixed $value): void
    {
        throw new LogicException('A table is not changed.');
    }

    /** Refuses: a table is not changed. */
    public function offsetUnset(mixed $offset): void
    {
        throw new LogicException('A table is not changed.');
    }

    /** Gives how many rows there are; none is read. */
    public function count(): int
    {
        return count($this->list);
    }

    /**
     * @return ArrayIterator<string, T>
     *
     * @throws BadInput if a row is wrong
     */
    public function getIterator(): ArrayIterator
    {
        return new ArrayIterator($this->all());
    }

    /** @return array<array-key, RowValues> all rows, as their values, by id: what `under` takes as stored */
    public function rowValues(): array
    {
        return array_map(static fn (Storable $row): array => $row->stored(), $this->all());
    }

    /** @return T */
    private function row(string|int $id): object
    {
        if (isset($this->read[$id])) {
            return $this->read[$id];
        }
        if (isset($this->stored[$id])) {
            ['of' => $class, 'values' => $values, 'within' => $within] = $this->stored[$id];
            /** @var T $row it was read from this row of this table when the tables were compiled */
            $row = $class::fromStored($values, $within);
            $this->read[$id] = $row;
        } else {
            $place = $this->places()[$id] ?? throw new LogicException("no row {$id}");
            $this->read[$id] = ($this->reader)(Fields::of($this->list[$place], "{$this->at}.{$place}"));
        }

        return $this->read[$id];
    }

    /**
     * @return array<array-key, int>
     *
     * @throws BadInput if a row has no id, or two have the same
     */
    private function places(): array
    {
        if ($this->places !== null) {
            return $this->places;
        }
        $places = array_flip(array_filter(array_column($this->list, $this->id), is_string(...)));

        // Each has an id, and no other has the same: mostly that is all that is to be found out.
        return $this->places = count($places) === count($this->list) ? $places : $this->placesOneByOne();
    }

    /**
     * @return array<array-key, int>
     *
     * @throws BadInput if a row has no id, or two have the same
     */
    private function placesOneByOne(): array
    {
        $places = [];
        foreach ($this->list as $i => $row) {
            $id =
                is_array($row) && is_string($row[$this->id] ?? null)
                    ? $row[$this->id]
                    : Fields::of($row, "{$this->at}.{$i}")->string($this->id);
            if (isset($places[$id])) {
                throw BadInput::at("{$this->at}.{$i}.{$this->id}", 'stands twice', $id);
            }
            $places[$id] = $i;
        }

        return $places;
    }
}
