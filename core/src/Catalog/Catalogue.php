<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use LogicException;

/** Typed access to core/data: pipe systems, rulebooks, assumptions. A file is read and checked when it is first asked for. */
final class Catalogue
{
    /** @var array<string, PipeSystem> */
    private array $systems = [];

    /** @var array<string, Rulebook> */
    private array $rulebooks = [];

    /** @var array<string, list<string>> */
    private array $names = [];

    /** @var array<string, Assumption>|null */
    private ?array $assumptions = null;

    /** @param  string  $folder the folder that holds catalogue/, rulebooks/ and assumptions.json */
    public function __construct(private readonly string $folder) {}

    /** The catalogue that ships with the core. */
    public static function shipped(): self
    {
        return new self(dirname(__DIR__, 2).'/data');
    }

    /** @return list<string> */
    public function systemKeys(): array
    {
        return $this->names('catalogue');
    }

    /** @return list<string> */
    public function rulebookKeys(): array
    {
        return $this->names('rulebooks');
    }

    /** @throws BadInput if there is no such system */
    public function system(string $key): PipeSystem
    {
        return $this->systems[$key] ??= PipeSystem::read($this->file('catalogue', $key, 'system'));
    }

    /** @throws BadInput if there is no such rulebook */
    public function rulebook(string $key): Rulebook
    {
        return $this->rulebooks[$key] ??= Rulebook::read($this->file('rulebooks', $key, 'rulebook'));
    }

    /** @throws BadInput if the file is damaged */
    public function assumption(string $id): Assumption
    {
        if ($this->assumptions === null) {
            $this->assumptions = [];
            foreach (Fields::of($this->decoded('assumptions.json'))->children('rows') as $row) {
                $this->assumptions[$row->string('id')] = new Assumption($row->number('value'), $row->string('unit'), Provenance::read($row, 'assumptions'));
            }
        }

        return $this->assumptions[$id] ?? throw new LogicException("core/data has no assumption {$id}");
    }

    private function file(string $kind, string $key, string $field): Fields
    {
        if (! in_array($key, $this->names($kind), true)) {
            throw BadInput::at($field, 'must be one of '.implode(', ', $this->names($kind)), $key);
        }

        return Fields::of($this->decoded("{$kind}/{$key}.json"));
    }

    /** @return list<string> */
    private function names(string $kind): array
    {
        if (! isset($this->names[$kind])) {
            $paths = glob("{$this->folder}/{$kind}/*.json");
            $this->names[$kind] = array_map(static fn (string $path): string => basename($path, '.json'), $paths === false ? [] : $paths);
        }

        return $this->names[$kind];
    }

    private function decoded(string $name): mixed
    {
        return json_decode((string) file_get_contents("{$this->folder}/{$name}"), true, 512, JSON_THROW_ON_ERROR);
    }
}
