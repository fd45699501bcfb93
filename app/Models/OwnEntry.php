<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A number or a row of the catalogue, a threshold of a rulebook, a price, or amendments to a book, that a crew set for
 * itself. Kept apart from the catalogue; taking it back is deleting it.
 *
 * @property int $id
 * @property int $crew_id
 * @property int $author_id
 * @property string $kind `number`, `row`, `threshold`, `price`, `stick` or `amendments`
 * @property string $place what it stands in place of
 * @property string $entry JSON, as the job file has it
 * @property ?Carbon $created_at
 * @property-read User $author
 */
final class OwnEntry extends Model
{
    public const UPDATED_AT = null;

    public const OF_CATALOGUE = ['number', 'row', 'threshold'];

    public const PRICES = ['price', 'stick'];

    public const AMENDMENTS = 'amendments';

    protected $fillable = ['crew_id', 'author_id', 'kind', 'place', 'entry'];

    /** @return BelongsTo<User, $this> */
    public function author(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /**
     * @param list<string> $kinds
     * @return Builder<self> what a crew set of these kinds
     */
    public static function ofCrew(?int $crewId, array $kinds): Builder
    {
        return self::query()->where('crew_id', $crewId)->whereIn('kind', $kinds);
    }
}
