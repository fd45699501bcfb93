<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

/** A threshold that is other here than in the book: a local amendment, or what the inspector wants. */
final readonly class RulebookOverride
{
    public function __construct(
        public string $rulebook,
        public string $threshold,
        public float $value,
        public string $source,
    ) {}

    /** @return array<string, string|float> */
    public function toArray(): array
    {
        return [
            'rulebook' => $this->rulebook,
            'threshold' => $this->threshold,
            'value' => $this->value,
            'source' => $this->source,
        ];
    }
}
