<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use ArrayAccess;
use ArrayIterator;
use Closure;
use Countable;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use IteratorAggregate;
use LogicException;

/**
 * The rows of a table by their ids, each read when it is first asked for: a job asks for a few of the hundreds that there are.
 *
 * @template T of object
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

    /**
     * @param array<array-key, array<array-key, mixed>> $raw by id; an id of digits is a number there
     * @param array<array-key, int> $places in the list, by id
     * @param string $at the place of the list in its file
     * @param Closure(Fields): T $reader
     */
    private function __construct(
        private readonly array $raw,
        private readonly array $places,
        private readonly string $at,
        private readonly Closure $reader,
    ) {}

    /**
     * Takes a list of rows as it stands in a file.
     *
     * @template R of object
     *
     * @param Closure(Fields): R $reader
     * @param string $id the field that tells the rows apart
     * @return self<R>
     *
     * @throws BadInput if a row has no id, or two have the same
     */
    public static function under(Fields $file, string $key, Closure $reader, string $id = 'id'): self
    {
        $raw = $places = [];
        foreach ($file->list($key) as $i => $row) {
            $name = is_array($row) && is_string($row[$id] ?? null) ? $row[$id] : Fields::of($row, $file->at("{$key}.{$i}"))->string($id);
            if (isset($raw[$name])) {
                throw BadInput::at($file->at("{$key}.{$i}.{$id}"), 'stands twice', $name);
            }
            $raw[$name] = (array) $row;
            $places[$name] = $i;
        }

        return new self($raw, $places, $file->at($key), $reader);
    }

    /** @return list<string> in the order of the file */
    public function ids(): array
    {
        return array_map(strval(...), array_keys($this->raw));
    }

    /** @return array<array-key, array<array-key, mixed>> the rows as they stand in the file, by id */
    public function raw(): array
    {
        return $this->raw;
    }

    /**
     * @return list<T> the rows that have a value in a field, in the order of the file; no other is read
     *
     * @throws BadInput if one of them is wrong
     */
    public function having(string $field, string $value): array
    {
        return $this->having["{$field}={$value}"] ??= array_map(
            $this->row(...),
            array_keys(array_filter($this->raw, static fn (array $row): bool => ($row[$field] ?? null) === $value)),
        );
    }

    /**
     * @return array<string, T> all of them, by id
     *
     * @throws BadInput if one is wrong
     */
    public function all(): array
    {
        foreach (array_keys($this->raw) as $id) {
            $this->row($id);
        }
        // In the order of the file, in whatever order they were read.
        $all = [];
        foreach (array_keys($this->raw) as $id) {
            $all[$id] = $this->read[$id];
        }

        /** @var array<string, T> $all */
        return $all;
    }

    public function offsetExists(mixed $offset): bool
    {
        return isset($this->raw[$offset]);
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

    public function offsetSet(mixed $offset, mixed $value): void
    {
        throw new LogicException('A table is not changed.');
    }

    public function offsetUnset(mixed $offset): void
    {
        throw new LogicException('A table is not changed.');
    }

    public function count(): int
    {
        return count($this->raw);
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

    /** @return T */
    private function row(string|int $id): object
    {
        return $this->read[$id] ??= ($this->reader)(Fields::of($this->raw[$id] ?? throw new LogicException("no row {$id}"), "{$this->at}.{$this->places[$id]}"));
    }
}
