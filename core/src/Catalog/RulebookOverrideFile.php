<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/** Reads a threshold that the user set, against the rulebook that it goes into. */
final class RulebookOverrideFile
{
    /**
     * Reads `{rulebook, threshold, value, source?}`; the value is in the unit of the threshold, inside the range that
     * `Ranges`
     * has for it.
     *
     * @throws BadInput if the rulebook or the threshold is not known, the threshold has no value to set, or the value
     *     is out of range
     */
    public static function read(Fields $fields, Catalogue $catalogue): RulebookOverride
    {
        $rulebook = $fields->choice('rulebook', $catalogue->rulebookKeys());
        $value = self::value($fields, $catalogue->rulebook($rulebook), $catalogue);
        $id = $fields->string('threshold');
        $override = new RulebookOverride($rulebook, $id, $value, $fields->stringOr('source', 'local rule'));
        $fields->end();

        return $override;
    }

    /**
     * Reads `{threshold, value}` of a rulebook; gives the value. One that the book leaves open, yes or no, may be said.
     *
     * @throws BadInput if the threshold is not known, it has no value to set, or the value is out of range
     */
    public static function value(Fields $fields, Rulebook $book, Catalogue $catalogue): float
    {
        $id = $fields->string('threshold');
        $threshold = $book->threshold($id);
        if ($threshold === null || ! $threshold->canBeSet()) {
            throw BadInput::at($fields->at('threshold'), 'is no threshold with a value', $id);
        }
        $value = $fields->number('value');
        $catalogue->ranges()->checkThreshold($threshold, $value, $fields->at('value'));

        return $value;
    }
}
