<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/**
 * Where a number comes from, and how far it can be trusted.
 *
 * @phpstan-type Source array{
 *     table: string,
 *     row: string,
 *     source: string,
 *     confidence: value-of<self::CONFIDENCES>,
 *     status: value-of<self::STATUSES>,
 * }
 */
final readonly class Provenance implements Storable
{
    use StoredRow;

    public const CONFIDENCES = ['high', 'medium', 'low'];

    public const STATUSES = ['stated', 'derived', 'assumed', 'measured'];

    /**
     * @param value-of<self::CONFIDENCES> $confidence
     * @param value-of<self::STATUSES> $status
     */
    private function __construct(
        public string $table,
        public string $row,
        public string $source,
        public string $confidence,
        public string $status,
        public string $note,
    ) {}

    /** @throws BadInput if source, confidence or status is missing or unknown */
    public static function read(Fields $row, string $table): self
    {
        return self::of($row, $table, $row->string('id'));
    }

    /**
     * Reads that of a row which its place in the file names.
     *
     * @throws BadInput if source, confidence or status is missing or unknown
     */
    public static function of(Fields $row, string $table, string $id): self
    {
        return new self(
            $table,
            $id,
            $row->string('source', 500),
            $row->choice('confidence', self::CONFIDENCES),
            $row->choice('status', self::STATUSES),
            $row->stringOr('note', '', 1000),
        );
    }

    /** The same row with a number that the user measured on the part in hand, or set by a local rule. */
    public function overridden(string $source): self
    {
        return new self($this->table, $this->row, $source, 'high', 'measured', 'In place of: '.$this->source.'.');
    }

    /** The same row with lengths that no table states; its note says how they were reckoned. */
    public function reckoned(string $how): self
    {
        $note = trim("{$this->note} Reckoned: {$how}.");

        return new self($this->table, $this->row, "{$this->source}; reckoned", 'low', 'derived', $note);
    }

    /** Whether the number is to be shown as doubtful: assumed, or of low confidence. */
    public function isDoubtful(): bool
    {
        return $this->status === 'assumed' || $this->confidence === 'low';
    }

    /** @return Source */
    public function toArray(): array
    {
        return [
            'table' => $this->table,
            'row' => $this->row,
            'source' => $this->source,
            'confidence' => $this->confidence,
            'status' => $this->status,
        ];
    }
}
