<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/** Everything that the catalogue knows of one pipe system: pipes with sockets, bends, couplings, bushings, trap adapters. */
final readonly class PipeSystem
{
    /** @var array<string, list<Bend>> plain bends by size */
    private array $plainBySize;

    /**
     * @param array<string, Pipe> $pipes by size, smallest first
     * @param array<string, Bend> $bends by id
     * @param array<string, Straight> $straights by id
     */
    private function __construct(
        public string $key,
        public string $material,
        public string $name,
        public string $letters,
        public array $pipes,
        public array $bends,
        public array $straights,
    ) {
        $bySize = [];
        foreach ($bends as $bend) {
            if (! $bend->isStreet) {
                $bySize[$bend->size][] = $bend;
            }
        }
        $this->plainBySize = $bySize;
    }

    /** @throws BadInput if a row is wrong, an id stands twice, or a size has no pipe or socket */
    public static function read(Fields $file): self
    {
        $file->choice('schema', ['catalogue-system.v1']);
        $key = $file->string('system');
        $sockets = [];
        foreach ($file->children('sockets') as $row) {
            $sockets[$row->string('size')] = $row;
        }
        $pipes = [];
        foreach ($file->children('pipes') as $row) {
            $size = $row->string('size');
            $socket = $sockets[$size] ?? throw BadInput::at($row->at('size'), 'has no socket', $size);
            $pipes[$size] = Pipe::read($row, $socket, $key);
        }
        $straights = [
            ...self::rows($file, 'couplings', static fn (Fields $row): Straight => Straight::coupling($row, $key), $pipes),
            ...self::rows($file, 'bushings', static fn (Fields $row): Straight => Straight::bushing($row, $key), $pipes),
            ...self::rows($file, 'trap_adapters', static fn (Fields $row): Straight => Straight::trapAdapter($row, $key), $pipes),
        ];

        return new self($key, $file->string('material'), $file->string('name'), $file->string('letters'), $pipes,
            self::rows($file, 'bends', static fn (Fields $row): Bend => Bend::read($row, $key), $pipes), $straights);
    }

    /** @throws BadInput if the system has no such size */
    public function pipe(string $size): Pipe
    {
        return $this->pipes[$size] ?? throw BadInput::at('size', "{$this->name} has no size {$size} here; it has ".implode(', ', array_map(strval(...), array_keys($this->pipes))), $size);
    }

    /** Gives a bend by its pattern and size, plain or street; null where the catalogue has none. */
    public function bend(string $pattern, string $size, bool $street): ?Bend
    {
        return $this->bends[($street ? 'street-' : '').$pattern.'/'.$size] ?? null;
    }

    /** @return list<Bend> the plain bends of a size, in the order of the file: gentlest first */
    public function plainBends(string $size): array
    {
        return $this->plainBySize[$size] ?? [];
    }

    /** Gives the coupling of a size, or null. */
    public function coupling(string $size): ?Straight
    {
        return $this->straights["coupling/{$size}"] ?? null;
    }

    /** Gives the bushing that stands in a socket of the large size and takes pipe of the small one, or null. */
    public function bushing(string $large, string $small): ?Straight
    {
        return $this->straights["bushing/{$large}x{$small}"] ?? null;
    }

    /** Whether the first size is larger than the second, by outside diameter. */
    public function isLarger(string $size, string $than): bool
    {
        return $this->pipe($size)->outsideMm > $this->pipe($than)->outsideMm;
    }

    /**
     * The same system with the user's measured numbers in place of the catalogue's.
     *
     * @param list<CatalogueOverride> $overrides
     */
    public function with(array $overrides): self
    {
        [$bends, $straights] = [$this->bends, $this->straights];
        foreach ($overrides as $override) {
            if (isset($bends[$override->row])) {
                $bends[$override->row] = $bends[$override->row]->measured($override->takeOffMm, $override->spigotMm, $override->source);
            } elseif (isset($straights[$override->row])) {
                $straights[$override->row] = $straights[$override->row]->measured($override->takeOffMm, $override->source);
            }
        }

        return new self($this->key, $this->material, $this->name, $this->letters, $this->pipes, $bends, $straights);
    }

    /**
     * @template T
     *
     * @param callable(Fields): T $read
     * @param array<string, Pipe> $pipes
     * @return array<string, T>
     *
     * @throws BadInput
     */
    private static function rows(Fields $file, string $key, callable $read, array $pipes): array
    {
        $rows = [];
        foreach ($file->children($key) as $row) {
            $id = $row->string('id');
            if (isset($rows[$id])) {
                throw BadInput::at($row->at('id'), 'stands twice', $id);
            }
            if (! isset($pipes[$row->string('size')])) {
                throw BadInput::at($row->at('size'), 'is no size of a pipe of this system', $row->string('size'));
            }
            $rows[$id] = $read($row);
        }

        return $rows;
    }
}
