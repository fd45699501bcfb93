<?php

declare(strict_types=1);

namespace App\Models;

use FallBend\Core\Input\BadInput;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/**
 * One state of a job, whole, never changed. Undo and redo append a state too; `undo_to` and `redo_to` say which state
 * they would bring back.
 *
 * A state is put down as what is other in it than in an earlier one, its base, which is put down whole: of fifty one
 * is. What an
 * earlier version kept stands as text in `document`.
 *
 * @property int $id
 * @property string $job_id
 * @property int $number
 * @property int $author_id
 * @property string $gesture edits of one gesture are undone as one
 * @property int|null $undo_to
 * @property int|null $redo_to
 * @property string|null $document JSON; null where it is packed
 * @property string|null $packed see PackedText
 * @property int|null $base number of the revision that it was packed with; null: with none
 * @property Carbon $created_at
 * @property-read User $author
 */
final class Revision extends Model
{
    public const UPDATED_AT = null;

    /** Of so many revisions one is put down whole. */
    private const WHOLE_OF = 50;

    protected $fillable = [
        'job_id',
        'number',
        'author_id',
        'gesture',
        'undo_to',
        'redo_to',
        'document',
        'packed',
        'base',
    ];

    protected $attributes = ['document' => null, 'packed' => null, 'base' => null];

    /**
     * A state that takes more than this share of its text beside its base is put down whole, which takes about a
     * quarter.
     */
    private const SHARE = 0.1;

    private ?string $text = null;

    /** Its base; null while nobody asked for it. */
    private ?self $baseRevision = null;

    /** Gives a revision of a job with its base, in one query. */
    public static function numbered(string $job, int $number): self
    {
        $revision =
            self::query()
                ->leftJoin('revisions as bases', static function (JoinClause $join): void {
                    $join->on('bases.job_id', '=', 'revisions.job_id')->on('bases.number', '=', 'revisions.base');
                })
                ->where(['revisions.job_id' => $job, 'revisions.number' => $number])
                ->select(['revisions.*', 'bases.packed as base_packed', 'bases.document as base_document'])
                ->toBase()
                ->first() ?? throw (new ModelNotFoundException)->setModel(self::class, ["{$job} {$number}"]);

        /** @var array<string, mixed> $columns */
        $columns = (array) $revision;

        return self::ofRow($columns);
    }

    /**
     * Gives a revision that was read with its base.
     *
     * @param array<string, mixed> $row its columns, with `base_packed` and `base_document`
     */
    public static function ofRow(array $row): self
    {
        $base = ['document' => $row['base_document'], 'packed' => $row['base_packed'], 'base' => null];
        unset($row['base_packed'], $row['base_document']);
        $revision = (new self)->newFromBuilder($row);
        $revision->baseRevision = (new self)->newFromBuilder($base);

        return $revision;
    }

    /**
     * Gives the state, as JSON.
     *
     * @throws BadInput if what was stored of it is damaged
     */
    public function text(): string
    {
        return $this->text ??= $this->document ?? PackedText::unpack($this->packed ?? '', $this->baseText());
    }

    /** @return array{packed: string, base: ?int} how a state is put down by itself */
    public static function whole(string $text): array
    {
        return ['packed' => PackedText::pack($text), 'base' => null];
    }

    /**
     * Gives how a later state of the same job is put down.
     *
     * @return array{packed: string, base: ?int}
     */
    public function next(string $text): array
    {
        $base = $this->base ?? $this->number;
        if ($this->number + 1 - $base >= self::WHOLE_OF) {
            return self::whole($text);
        }
        $packed = PackedText::pack($text, $this->base === null ? $this->text() : $this->baseText());

        // Where much is other it is a new beginning.
        return strlen($packed) > self::SHARE * strlen($text)
            ? self::whole($text)
            : ['packed' => $packed, 'base' => $base];
    }

    /**
     * Puts down a revision; gives it as the database has it.
     *
     * @param array<string, mixed> $columns
     * @param self|null $before the one before it: what it is packed with is known of it already
     */
    public static function put(array $columns, ?self $before): self
    {
        $columns['created_at'] = (new self)->freshTimestampString();
        $names = implode(', ', array_keys($columns));
        $places = implode(', ', array_fill(0, count($columns), '?'));
        $row = DB::selectOne("INSERT INTO revisions ({$names}) VALUES ({$places}) RETURNING *", array_values($columns));
        /** @var array<string, mixed> $stored */
        $stored = (array) $row;
        $put = (new self)->newFromBuilder($stored);
        $put->baseRevision = $before !== null && $put->base === $before->number ? $before : $before?->baseRevision;

        return $put;
    }

    /** Puts down another state in its place. Those that were packed with it are put down whole first. */
    public function replace(string $text): void
    {
        foreach (
            self::query()
                ->where(['job_id' => $this->job_id, 'base' => $this->number])
                ->get() as $other
        ) {
            $other->update(self::whole($other->text()));
        }
        $this->update(['document' => null] + self::whole($text));
        $this->text = $text;
    }

    /** @return BelongsTo<User, $this> */
    public function author(): BelongsTo
    {
        return $this->belongsTo(User::class, 'author_id');
    }

    private function baseText(): string
    {
        if ($this->base === null) {
            return '';
        }
        $this->baseRevision ??= self::query()
            ->where(['job_id' => $this->job_id, 'number' => $this->base])
            ->firstOrFail();

        return $this->baseRevision->text();
    }
}
