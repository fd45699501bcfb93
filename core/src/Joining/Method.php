<?php

declare(strict_types=1);

namespace FallBend\Core\Joining;

/** The ways of joining, by their keys. */
enum Method: string
{
    case SolventPvc = 'solvent-pvc';
    case SolventAbs = 'solvent-abs';
    case SolventTransition = 'solvent-transition';
    case SolventUkWaste = 'solvent-uk-waste';
    case NoHubShielded = 'no-hub-shielded';
    case ShieldedTransition = 'shielded-transition';
    case FlexibleUnshielded = 'flexible-unshielded';
    case HubGasket = 'hub-gasket';
    case HubAdapter = 'hub-adapter';
    case Caulked = 'caulked';
    case BellGasket = 'bell-gasket';
    case Threaded = 'threaded';
    case SlipJoint = 'slip-joint';
    case UniversalCompression = 'universal-compression';
    case PushFit = 'push-fit';
    case GroovedMechanical = 'grooved-mechanical';
    case FlangeSeal = 'flange-seal';
    case SolderedDrainage = 'soldered-drainage';

    /** Whether it is made with solvent cement. */
    public function isCement(): bool
    {
        return in_array(
            $this,
            [self::SolventPvc, self::SolventAbs, self::SolventTransition, self::SolventUkWaste],
            true,
        );
    }

    /**
     * Whether rubber or a washer holds the pipe, so that it can turn a little in the joint, and slide in it as it
     * grows.
     */
    public function isElastic(): bool
    {
        return in_array(
            $this,
            [
                self::NoHubShielded,
                self::ShieldedTransition,
                self::FlexibleUnshielded,
                self::HubGasket,
                self::BellGasket,
                self::PushFit,
                self::SlipJoint,
                self::UniversalCompression,
            ],
            true,
        );
    }

    /**
     * Which way is offered before which, where several can be made: the permanent joint of its own system first, then
     * what can be
     * opened or bridges two systems, then what needs skill or is weak.
     */
    public function rank(): int
    {
        return match ($this) {
            self::SolventPvc,
            self::SolventAbs,
            self::SolventUkWaste,
            self::GroovedMechanical,
            self::FlangeSeal,
            self::BellGasket => 10,
            self::PushFit => 12,
            self::NoHubShielded => 14,
            self::SlipJoint, self::Threaded => 16,
            self::HubAdapter => 20,
            self::HubGasket => 22,
            self::ShieldedTransition => 24,
            self::SolderedDrainage => 26,
            self::UniversalCompression => 28,
            self::FlexibleUnshielded => 32,
            self::SolventTransition => 40,
            self::Caulked => 46,
        };
    }
}
