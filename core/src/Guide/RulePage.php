<?php

declare(strict_types=1);

namespace FallBend\Core\Guide;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\DataFile;
use FallBend\Core\Input\Fields;

/**
 * What one rule of the trade is about: why it is there, the verdicts that speak for it, the thresholds that they rest
 * on, and its picture.
 */
final readonly class RulePage
{
    /**
     * @param list<string> $rules ids of verdicts
     * @param list<string> $topics of thresholds of the rulebooks
     */
    private function __construct(
        public string $id,
        public string $title,
        public string $why,
        public array $rules,
        public array $topics,
        public Panel $wrong,
        public Panel $right,
    ) {}

    /** @throws BadInput */
    public static function read(Fields $row): self
    {
        return new self(
            $row->string('id'),
            $row->string('title'),
            $row->string('why', 1000),
            $row->strings('rules'),
            $row->strings('topics'),
            Panel::read($row->child('wrong')),
            Panel::read($row->child('right')),
        );
    }

    /**
     * @return list<self> all that ship with the core, in the order of a book
     *
     * @throws BadInput if one is wrong
     */
    public static function all(): array
    {
        $file = Fields::of(DataFile::read('rule-pages.json'));
        $file->choice('schema', ['rule-pages.v1']);

        return array_map(self::read(...), $file->children('rows'));
    }
}
