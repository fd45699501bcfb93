<?php

declare(strict_types=1);

namespace FallBend\Core\Input;

use BackedEnum;

/**
 * Reads the fields of one decoded JSON object, strictly: each getter names the place of what is wrong, and `end`
 * refuses what was never asked for.
 */
final class Fields
{
    /** So many choices are named in an error. */
    private const NAMED = 40;

    /** @var array<string, true> */
    private array $asked = [];

    /**
     * @param array<array-key, mixed> $data
     * @param string $path the place of the object, dotted; empty for the whole
     */
    private function __construct(private readonly array $data, public readonly string $path) {}

    /** @throws BadInput if the value is not an object */
    public static function of(mixed $value, string $path = ''): self
    {
        if (! is_array($value) || ($value !== [] && array_is_list($value))) {
            throw BadInput::at($path, 'must be an object', $value);
        }

        return new self($value, $path);
    }

    /** Gives the place of a field, dotted, from the whole down. */
    public function at(string $key): string
    {
        return $this->path === '' ? $key : $this->path.'.'.$key;
    }

    /** Whether the field is there and not null. Counts as asked for. */
    public function has(string $key): bool
    {
        $this->asked[$key] = true;

        return isset($this->data[$key]);
    }

    /** @throws BadInput */
    public function raw(string $key): mixed
    {
        $this->asked[$key] = true;

        return $this->data[$key] ?? throw BadInput::at($this->at($key), 'is missing');
    }

    /** @throws BadInput */
    public function string(string $key, int $most = 200): string
    {
        $this->asked[$key] = true;
        $value = $this->data[$key] ?? throw BadInput::at($this->at($key), 'is missing');
        if (! is_string($value) || ! mb_check_encoding($value, 'UTF-8')) {
            throw BadInput::at($this->at($key), 'must be text', $value);
        }
        // A text has no more characters than bytes: most are not counted.
        if (strlen($value) > $most && mb_strlen($value) > $most) {
            throw BadInput::at($this->at($key), "must be at most {$most} characters", $value);
        }

        return $value;
    }

    /** @throws BadInput */
    public function stringOr(string $key, string $default, int $most = 200): string
    {
        if (! isset($this->data[$key])) {
            $this->asked[$key] = true;

            return $default;
        }

        return $this->string($key, $most);
    }

    /**
     * @template T of string
     *
     * @param list<T> $choices
     * @return T
     *
     * @throws BadInput
     */
    public function choice(string $key, array $choices): string
    {
        $value = $this->string($key);
        if (! in_array($value, $choices, true)) {
            throw BadInput::at($this->at($key), self::oneOf($choices), $value);
        }

        return $value;
    }

    /**
     * Gives the case of an enum by its value.
     *
     * @template T of BackedEnum
     *
     * @param class-string<T> $enum whose values are text
     * @return T
     *
     * @throws BadInput
     */
    public function enum(string $key, string $enum): BackedEnum
    {
        $value = $this->string($key);

        $case = $enum::tryFrom($value);
        if ($case === null) {
            $values = array_map(static fn (BackedEnum $one): string => (string) $one->value, $enum::cases());
            throw BadInput::at($this->at($key), self::oneOf($values), $value);
        }

        return $case;
    }

    /** @throws BadInput */
    public function number(string $key, float $least = -INF, float $most = INF): float
    {
        $this->asked[$key] = true;
        $value = $this->data[$key] ?? throw BadInput::at($this->at($key), 'is missing');
        if ((! is_int($value) && ! is_float($value)) || ! is_finite((float) $value)) {
            throw BadInput::at($this->at($key), 'must be a number', $value);
        }
        if ($value < $least || $value > $most) {
            throw BadInput::at($this->at($key), self::range($least, $most), $value);
        }

        return (float) $value;
    }

    /** @throws BadInput */
    public function numberOrNull(string $key, float $least = -INF, float $most = INF): ?float
    {
        if (! isset($this->data[$key])) {
            $this->asked[$key] = true;

            return null;
        }

        return $this->number($key, $least, $most);
    }

    /** @throws BadInput */
    public function int(string $key, int $least, int $most): int
    {
        $value = $this->raw($key);
        if (! is_int($value)) {
            throw BadInput::at($this->at($key), 'must be a whole number', $value);
        }
        if ($value < $least || $value > $most) {
            throw BadInput::at($this->at($key), self::range($least, $most), $value);
        }

        return $value;
    }

    /** @throws BadInput */
    public function bool(string $key, bool $default): bool
    {
        if (! $this->has($key)) {
            return $default;
        }
        $value = $this->data[$key];

        return is_bool($value) ? $value : throw BadInput::at($this->at($key), 'must be true or false', $value);
    }

    /** @throws BadInput */
    public function child(string $key): self
    {
        return self::of($this->raw($key), $this->at($key));
    }

    /** @throws BadInput */
    public function childOrNull(string $key): ?self
    {
        return $this->has($key) ? $this->child($key) : null;
    }

    /**
     * @return list<self> the objects of a list; an absent list is empty
     *
     * @throws BadInput
     */
    public function children(string $key, int $most = 10_000): array
    {
        $children = [];
        foreach ($this->list($key, $most) as $i => $value) {
            $children[] = self::of($value, $this->at($key).'.'.$i);
        }

        return $children;
    }

    /**
     * @return list<mixed> an absent list is empty
     *
     * @throws BadInput
     */
    public function list(string $key, int $most = 10_000): array
    {
        if (! $this->has($key)) {
            return [];
        }
        $value = $this->data[$key];
        if (! is_array($value) || ! array_is_list($value)) {
            throw BadInput::at($this->at($key), 'must be a list', $value);
        }
        if (count($value) > $most) {
            throw BadInput::at($this->at($key), "must have at most {$most} entries", $value);
        }

        return $value;
    }

    /**
     * @return list<string> an absent list is empty
     *
     * @throws BadInput
     */
    public function strings(string $key, int $most = 200): array
    {
        $strings = [];
        foreach ($this->list($key, $most) as $i => $value) {
            $strings[] =
                is_string($value) && mb_check_encoding($value, 'UTF-8')
                    ? $value
                    : throw BadInput::at($this->at($key).".{$i}", 'must be text', $value);
        }

        return $strings;
    }

    /**
     * @return list<float> an absent list is empty
     *
     * @throws BadInput at the one that is no number, or out of range
     */
    public function numbers(string $key, float $least = -INF, float $most = INF, int $count = 200): array
    {
        $numbers = [];
        foreach ($this->list($key, $count) as $i => $value) {
            if (
                (! is_int($value) && ! is_float($value)) ||
                ! is_finite((float) $value) ||
                $value < $least ||
                $value > $most
            ) {
                throw BadInput::at($this->at($key).".{$i}", self::range($least, $most), $value);
            }
            $numbers[] = (float) $value;
        }

        return $numbers;
    }

    /** @return array<array-key, mixed> everything that is there, unchecked */
    public function all(): array
    {
        return $this->data;
    }

    /**
     * @return list<string> the names of the fields that are there
     *
     * @throws BadInput if there are more than so many
     */
    public function keys(int $most = PHP_INT_MAX): array
    {
        if (count($this->data) > $most) {
            throw BadInput::at($this->path, "must have at most {$most} entries");
        }

        return array_map(strval(...), array_keys($this->data));
    }

    /** @throws BadInput if there is a field that nothing asked for */
    public function end(): void
    {
        foreach (array_keys($this->data) as $key) {
            if (! isset($this->asked[(string) $key])) {
                throw BadInput::at($this->at((string) $key), 'is not known here', $this->data[$key]);
            }
        }
    }

    /** @param list<string> $choices */
    private static function oneOf(array $choices): string
    {
        $more = count($choices) - self::NAMED;

        return 'must be one of '.
            implode(', ', array_slice($choices, 0, self::NAMED)).
            ($more > 0 ? " and {$more} more" : '');
    }

    private static function range(float $least, float $most): string
    {
        return match (true) {
            $least === -INF => "must be at most {$most}",
            $most === INF => "must be at least {$least}",
            default => "must be from {$least} to {$most}",
        };
    }
}
