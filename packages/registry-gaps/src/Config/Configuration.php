<?php

declare(strict_types=1);

namespace League\Config;

use Dflydev\DotAccessData\Data;
use League\Config\Exception\UnknownOptionException;
use League\Config\Exception\ValidationException;
use Nette\Schema\Expect;
use Nette\Schema\Processor;
use Nette\Schema\Schema;
use Nette\Schema\ValidationException as NetteException;
use stdClass;

/**
 * Values under schemas. They are checked when first read; keys without a schema yet are not refused,
 * because extensions add theirs later.
 */
final class Configuration implements ConfigurationBuilderInterface, ConfigurationInterface
{
    private Data $given;

    private ?Data $checked = null;

    private readonly ReadOnlyConfiguration $reader;

    /** @param array<string, Schema> $schemas */
    public function __construct(private array $schemas = [])
    {
        $this->given = new Data;
        $this->reader = new ReadOnlyConfiguration($this);
    }

    public function addSchema(string $key, Schema $schema): void
    {
        $this->checked = null;
        $this->schemas[$key] = $schema;
    }

    public function merge(array $config = []): void
    {
        $this->checked = null;
        $this->given->import($config, Data::REPLACE);
    }

    public function set(string $key, mixed $value): void
    {
        $this->checked = null;
        $this->given->set($key, $value);
    }

    public function get(string $key): mixed
    {
        $data = $this->checked();
        if (! $data->has($key)) {
            throw UnknownOptionException::at($key);
        }

        return $data->get($key);
    }

    public function exists(string $key): bool
    {
        return $this->checked()->has($key);
    }

    public function reader(): ConfigurationInterface
    {
        return $this->reader;
    }

    private function checked(): Data
    {
        if ($this->checked === null) {
            try {
                $processed = (new Processor)->process(Expect::structure($this->schemas)->otherItems(Expect::mixed()), $this->given->export());
            } catch (NetteException $error) {
                throw ValidationException::from($error);
            }
            /** @var array<string, mixed> $plain */
            $plain = self::plain($processed);
            $this->checked = new Data($plain);
        }

        return $this->checked;
    }

    private static function plain(mixed $value): mixed
    {
        if ($value instanceof stdClass) {
            $value = (array) $value;
        }

        return is_array($value) ? array_map(self::plain(...), $value) : $value;
    }
}
