<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Report;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\FixtureKind;
use FallBend\Core\Job\BranchAt;
use FallBend\Core\Job\End;
use FallBend\Core\Job\TrapKind;
use FallBend\Core\Report\Choices;
use PHPUnit\Framework\TestCase;

final class ChoicesTest extends TestCase
{
    public function testWhatAJobFileTakesIsOfferedAndNothingElse(): void
    {
        $choices = Choices::of(Catalogue::shipped());
        $keys = static fn (array $list): array => array_column($list, 'key');
        self::assertEqualsCanonicalizing(array_column(FixtureKind::cases(), 'value'), $keys($choices->fixtures));
        self::assertEqualsCanonicalizing(array_column(TrapKind::cases(), 'value'), $keys($choices->traps));
        self::assertEqualsCanonicalizing(BranchAt::PATTERNS, $keys($choices->patterns));
        // A standing pipe is offered by its name.
        self::assertEqualsCanonicalizing(
            array_diff(array_column(End::OUTLETS, 'value'), ['standing']),
            $keys($choices->outlets),
        );
        self::assertEqualsCanonicalizing(
            array_diff(array_column(End::TIE_INS, 'value'), ['standing']),
            $keys($choices->tieIns),
        );
        self::assertEqualsCanonicalizing(Catalogue::shipped()->rulebookKeys(), $keys($choices->rulebooks));
        self::assertContains(['key' => 'water-closet', 'name' => 'closet'], $choices->fixtures);
        self::assertContains(['key' => 'adh-2015', 'name' => 'AD H 2015', 'units' => 'mm'], $choices->rulebooks);
    }

    public function testWhatAPartOfThemIsOfferedForIsNamedAsInTheWhole(): void
    {
        $choices = Choices::of(Catalogue::shipped());
        self::assertSame(['key' => 'p', 'name' => 'P trap'], $choices->hungTraps[0]);
        self::assertSame(
            [],
            array_diff(array_column($choices->hungTrapFixtures, 'key'), array_column(FixtureKind::cases(), 'value')),
        );
        self::assertContains(['key' => 'wye', 'name' => 'wye'], $choices->cutInPatterns);
    }
}
