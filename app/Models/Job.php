<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;

/**
 * A job of a crew. Its document is that of the revision that `head` names.
 *
 * @property string $id
 * @property int $crew_id
 * @property string $name
 * @property int $head
 * @property Carbon $updated_at
 * @property-read Crew $crew
 */
final class Job extends Model
{
    use HasUlids;

    protected $fillable = ['crew_id', 'name', 'head'];

    /** @return BelongsTo<Crew, $this> */
    public function crew(): BelongsTo
    {
        return $this->belongsTo(Crew::class);
    }

    /** @return HasMany<Revision, $this> */
    public function revisions(): HasMany
    {
        return $this->hasMany(Revision::class);
    }

    public function revision(int $number): Revision
    {
        return $this->revisions()->where('number', $number)->with('author')->firstOrFail();
    }

    public function headRevision(): Revision
    {
        return $this->revision($this->head);
    }
}
