<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/** What one of something costs the crew, as it stands on the list of what to buy. */
final readonly class Price
{
    private function __construct(public string $what, public string $size, public string $pipe, public float $each) {}

    /** @throws BadInput at the field that is wrong */
    public static function read(Fields $fields): self
    {
        $price = new self(
            $fields->string('what', 200),
            $fields->stringOr('size', '', 40),
            $fields->stringOr('pipe', '', 20),
            $fields->number('each', 0, 1_000_000),
        );
        $fields->end();

        return $price;
    }

    /**
     * @param list<Fields> $rows
     * @return list<self> each thing once
     *
     * @throws BadInput at the field that is wrong
     */
    public static function list(array $rows): array
    {
        $prices = [];
        foreach ($rows as $fields) {
            $price = self::read($fields);
            $prices[$price->key()] = isset($prices[$price->key()])
                ? throw BadInput::at($fields->at('what'), 'stands twice', $price->what)
                : $price;
        }

        return array_values($prices);
    }

    /** What is told apart by its price. */
    public function key(): string
    {
        return self::keyOf($this->what, $this->size, $this->pipe);
    }

    /** What a thing is told apart by, with a price or without. */
    public static function keyOf(string $what, string $size, string $pipe): string
    {
        return "{$what}|{$size}|{$pipe}";
    }

    /** @return array{what: string, size: string, pipe: string, each: float} as a job file holds it */
    public function toArray(): array
    {
        return ['what' => $this->what, 'size' => $this->size, 'pipe' => $this->pipe, 'each' => $this->each];
    }
}
