<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A number or a row of the catalogue, or a threshold of a rulebook, that a crew set for itself. Kept apart from the catalogue; taking it back is deleting it.
 *
 * @property int $id
 * @property int $crew_id
 * @property int $author_id
 * @property string $kind `number`, `row` or `threshold`
 * @property string $place what it stands in place of
 * @property string $entry JSON, as the job file has it
 * @property ?Carbon $created_at
 * @property-read User $author
 */
final class OwnEntry extends Model
{
    public const UPDATED_AT = null;

    protected $fillable = ['crew_id', 'author_id', 'kind', 'place', 'entry'];

    /** @return BelongsTo<User, $this> */
    public function author(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
