<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/** A threshold that is other here than in the book: a local amendment, or what the inspector wants. */
final readonly class RulebookOverride
{
    private function __construct(public string $rulebook, public string $threshold, public float $value, public string $source) {}

    /**
     * Reads `{rulebook, threshold, value, source?}`; the value is in the unit of the threshold, inside the range that `Ranges`
     * has for it.
     *
     * @throws BadInput if the rulebook or the threshold is not known, the threshold has no value to set, or the value is out of range
     */
    public static function read(Fields $fields, Catalogue $catalogue): self
    {
        $rulebook = $fields->choice('rulebook', $catalogue->rulebookKeys());
        $id = $fields->string('threshold');
        $threshold = $catalogue->rulebook($rulebook)->threshold($id);
        if ($threshold?->value === null) {
            throw BadInput::at($fields->at('threshold'), 'is no threshold with a value', $id);
        }
        $value = $fields->number('value');
        $catalogue->ranges()->checkThreshold($threshold, $value, $fields->at('value'));
        $override = new self($rulebook, $id, $value, $fields->stringOr('source', 'local rule'));
        $fields->end();

        return $override;
    }

    /** @return array<string, string|float> */
    public function toArray(): array
    {
        return ['rulebook' => $this->rulebook, 'threshold' => $this->threshold, 'value' => $this->value, 'source' => $this->source];
    }
}
