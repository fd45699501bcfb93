<?php

declare(strict_types=1);

namespace FallBend\Core\Report;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\DataFile;
use FallBend\Core\Input\Fields;
use FallBend\Core\Measure\Units;

/**
 * What there is to choose from in the forms of the interface, in the order in which it is offered: the keys that a job
 * file takes, with what people call them (core/data/choices.json).
 *
 * @phpstan-type Choice array{key: string, name: string}
 * @phpstan-type BookChoice array{key: string, name: string, units: value-of<Units>}
 * @phpstan-type VariantChoice array{fixture: string, variant: string, rulebook: string, name: string}
 * @phpstan-type WrittenChoices array{
 *     outlets: list<Choice>,
 *     tie_ins: list<Choice>,
 *     fixtures: list<Choice>,
 *     fixture_variants: list<VariantChoice>,
 *     traps: list<Choice>,
 *     patterns: list<Choice>,
 *     hung_trap_fixtures: list<Choice>,
 *     hung_traps: list<Choice>,
 *     cut_in_patterns: list<Choice>,
 *     rulebooks: list<BookChoice>,
 * }
 */
final readonly class Choices
{
    /**
     * @param list<Choice> $outlets how a run begins
     * @param list<Choice> $tieIns how a run ends
     * @param list<Choice> $fixtures
     * @param list<VariantChoice> $fixtureVariants those that a rulebook counts otherwise than the usual one
     * @param list<Choice> $traps
     * @param list<Choice> $patterns of branch fittings
     * @param list<Choice> $hungTrapFixtures those under which a trap is hung between a tailpiece and an outlet
     * @param list<Choice> $hungTraps those that are hung so
     * @param list<Choice> $cutInPatterns of branch fittings that are cut into a line that stands
     * @param list<BookChoice> $rulebooks
     */
    private function __construct(
        public array $outlets,
        public array $tieIns,
        public array $fixtures,
        public array $fixtureVariants,
        public array $traps,
        public array $patterns,
        public array $hungTrapFixtures,
        public array $hungTraps,
        public array $cutInPatterns,
        public array $rulebooks,
    ) {}

    /** @throws BadInput if the file is damaged */
    public static function of(Catalogue $catalogue): self
    {
        $file = Fields::of(DataFile::read('choices.json'));
        $fixtures = self::named($file, 'fixtures');
        $traps = self::named($file, 'traps');
        $patterns = self::named($file, 'patterns');

        return new self(
            self::named($file, 'outlets'),
            self::named($file, 'tie_ins'),
            $fixtures,
            $catalogue->fixtures()->variants(),
            $traps,
            $patterns,
            self::some($file, 'hung_trap_fixtures', $fixtures),
            self::some($file, 'hung_traps', $traps),
            self::some($file, 'cut_in_patterns', $patterns),
            self::rulebooks($catalogue),
        );
    }

    /**
     * @return list<Choice> a list of the file
     *
     * @throws BadInput
     */
    private static function named(Fields $file, string $list): array
    {
        return array_map(static fn (Fields $row): array => [
            'key' => $row->string('key'),
            'name' => $row->string('name'),
        ], $file->children($list));
    }

    /**
     * @param list<Choice> $of
     * @return list<Choice> those that a list of the file names by their keys
     *
     * @throws BadInput if it names what is none
     */
    private static function some(Fields $file, string $list, array $of): array
    {
        $byKey = array_column($of, null, 'key');
        $some = [];
        foreach ($file->strings($list) as $key) {
            $some[] = $byKey[$key] ?? throw BadInput::at($list, 'names what is none', $key);
        }

        return $some;
    }

    /** @return list<BookChoice> those that measure in inches first */
    private static function rulebooks(Catalogue $catalogue): array
    {
        $books = array_map(
            static fn (string $key): array => [
                'key' => $key,
                'name' => $catalogue->rulebook($key)->name,
                'units' => $catalogue->rulebook($key)->units,
            ],
            $catalogue->rulebookKeys(),
        );
        usort($books, static fn (array $one, array $other): int => $one['units'] <=> $other['units']);

        return $books;
    }

    /** @return WrittenChoices */
    public function toArray(): array
    {
        return [
            'outlets' => $this->outlets,
            'tie_ins' => $this->tieIns,
            'fixtures' => $this->fixtures,
            'fixture_variants' => $this->fixtureVariants,
            'traps' => $this->traps,
            'patterns' => $this->patterns,
            'hung_trap_fixtures' => $this->hungTrapFixtures,
            'hung_traps' => $this->hungTraps,
            'cut_in_patterns' => $this->cutInPatterns,
            'rulebooks' => $this->rulebooks,
        ];
    }
}
