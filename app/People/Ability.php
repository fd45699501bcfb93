<?php

declare(strict_types=1);

namespace App\People;

/** What a role may do in a crew, beside reading it, which all may. */
enum Ability: string
{
    /** Say what happened on site, with pictures. */
    case Log = 'log';
    /** Change a job. */
    case Edit = 'edit';
    /** Begin a job: empty, from a file, as a copy. */
    case Start = 'start';
    /** Archive a job, delete it, put it back. */
    case PutAway = 'put-away';
    /** Let others read the record of a job by a link. */
    case Share = 'share';
    /** Set what is the crew's own: fittings, prices, local amendments. */
    case Numbers = 'numbers';
    /** Invite somebody, up to the own role. */
    case Invite = 'invite';
    /** Name the crew, give roles, take people out, read what was done. */
    case Own = 'own';

    /** The lowest role that may. */
    public function least(): Role
    {
        return match ($this) {
            // Whoever changes jobs may begin one: of two who changed the same, one keeps theirs as a copy.
            self::Log, self::Edit, self::Start => Role::Apprentice,
            self::PutAway => Role::Plumber,
            self::Share, self::Numbers, self::Invite => Role::Lead,
            self::Own => Role::Owner,
        };
    }
}
