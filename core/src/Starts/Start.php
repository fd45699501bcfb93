<?php

declare(strict_types=1);

namespace FallBend\Core\Starts;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Measure\Units;

/**
 * A task that somebody comes with: what it asks for, in the order in which one would measure, and what is made of it.
 *
 * @phpstan-import-type WrittenField from StartField
 *
 * @phpstan-type WrittenStart array{
 *     id: string,
 *     region: 'us'|'uk',
 *     name: string,
 *     say: string,
 *     opens: 'look'|'route'|'make-up'|'joints'|'cut'|'hang',
 *     fields: list<WrittenField>,
 *     strokes: list<string>,
 *     rulebooks: list<array{key: string, name: string}>,
 * }
 */
final readonly class Start
{
    /**
     * @param 'us'|'uk' $region
     * @param string $say one sentence on what it is for
     * @param 'look'|'route'|'make-up'|'joints'|'cut'|'hang' $opens station that has the next thing to do
     * @param list<StartField> $fields
     * @param list<string> $strokes of its drawing: a word, the points, a text; `hold FIELD x,y x,y` is a length to
     *     measure
     * @param list<array<array-key, mixed>> $makes standing pipes, runs, joints, in order
     */
    private function __construct(
        public string $id,
        public string $region,
        public string $name,
        public string $say,
        public string $opens,
        public array $fields,
        public array $strokes,
        public array $makes,
    ) {}

    /** @throws BadInput at the field that is wrong */
    public static function read(Fields $file): self
    {
        $file->choice('schema', ['start.v1']);
        $start = new self(
            $file->string('id', 40),
            $file->choice('region', ['us', 'uk']),
            $file->string('name', 80),
            $file->string('say', 200),
            $file->choice('opens', ['look', 'route', 'make-up', 'joints', 'cut', 'hang']),
            array_map(StartField::read(...), $file->children('fields', 30)),
            $file->strings('strokes', 80),
            array_map(static fn (Fields $one): array => $one->all(), $file->children('makes', 20)),
        );
        $file->end();

        return $start;
    }

    /** Gives the units that it is asked in: those of its country. */
    public function units(): Units
    {
        return $this->region === 'us' ? Units::Inch : Units::Millimetre;
    }

    /** @return WrittenStart */
    public function toArray(Catalogue $catalogue): array
    {
        return [
            'id' => $this->id,
            'region' => $this->region,
            'name' => $this->name,
            'say' => $this->say,
            'opens' => $this->opens,
            'fields' => array_map(
                fn (StartField $field): array => $field->toArray($this->units(), $catalogue),
                $this->fields,
            ),
            'strokes' => $this->strokes,
            'rulebooks' => $this->rulebooks($catalogue),
        ];
    }

    /** @return list<array{key: string, name: string}> those of its country, whose pipe it asks for */
    public function rulebooks(Catalogue $catalogue): array
    {
        $books = [];
        foreach ($catalogue->rulebookKeys() as $key) {
            $book = $catalogue->rulebook($key);
            if ($catalogue->system($book->usual->system)->region === $this->region) {
                $books[] = ['key' => $key, 'name' => $book->name];
            }
        }

        return $books;
    }

    /** Gives a field by its id, or null. */
    public function field(string $id): ?StartField
    {
        return array_column($this->fields, null, 'id')[$id] ?? null;
    }
}
