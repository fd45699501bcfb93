<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * One state of a job, whole, never changed. Undo and redo append a state too; `undo_to` and `redo_to` say which state they would bring back.
 *
 * @property int $id
 * @property string $job_id
 * @property int $number
 * @property int $author_id
 * @property string $gesture edits of one gesture are undone as one
 * @property int|null $undo_to
 * @property int|null $redo_to
 * @property string $document JSON
 * @property Carbon $created_at
 * @property-read User $author
 */
final class Revision extends Model
{
    public const UPDATED_AT = null;

    protected $fillable = ['job_id', 'number', 'author_id', 'gesture', 'undo_to', 'redo_to', 'document'];

    /** @return BelongsTo<User, $this> */
    public function author(): BelongsTo
    {
        return $this->belongsTo(User::class, 'author_id');
    }
}
