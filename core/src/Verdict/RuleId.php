<?php

declare(strict_types=1);

namespace FallBend\Core\Verdict;

/**
 * Every verdict that there is, as `topic.fact`: never renamed, never used for something else. Its words stand in
 * core/data/wording.json under the same name.
 */
enum RuleId: string
{
    case ArmFall = 'arm.fall';
    case ArmGradient = 'arm.gradient';
    case ArmLong = 'arm.long';
    case ArmMostNotKnown = 'arm.mostNotKnown';
    case ArmSShape = 'arm.sShape';
    case ArmShort = 'arm.short';
    case ArmTurns = 'arm.turns';
    case ArmVentBelowWeir = 'arm.ventBelowWeir';

    case AssemblyNotKnown = 'assembly.notKnown';
    case AssemblyStuck = 'assembly.stuck';

    case BranchAgainstFlow = 'branch.againstFlow';
    case BranchDryFitting = 'branch.dryFitting';
    case BranchLarger = 'branch.larger';
    case BranchNoAngle = 'branch.noAngle';
    case BranchNoSuchFitting = 'branch.noSuchFitting';
    case BranchNotOpposite = 'branch.notOpposite';
    case BranchOffLeg = 'branch.offLeg';
    case BranchOpposite = 'branch.opposite';
    case BranchPattern = 'branch.pattern';
    case BranchPatternDoubtful = 'branch.patternDoubtful';
    case BranchTeeOnBack = 'branch.teeOnBack';
    case BranchVentTeeOnBack = 'branch.ventTeeOnBack';

    case BuildingColdest = 'building.coldest';
    case BuildingDrainVentilated = 'building.drainVentilated';
    case BuildingOneFamily = 'building.oneFamily';
    case BuildingStoreys = 'building.storeys';
    case BuildingWhole = 'building.whole';

    case CatalogueDoubtful = 'catalogue.doubtful';

    case CementCold = 'cement.cold';
    case CementDamp = 'cement.damp';
    case CementDoesNotDissolve = 'cement.doesNotDissolve';
    case CementDryFitBottoms = 'cement.dryFitBottoms';
    case CementDryFitLoose = 'cement.dryFitLoose';
    case CementDryFitTight = 'cement.dryFitTight';
    case CementHot = 'cement.hot';
    case CementNoCement = 'cement.noCement';
    case CementNoDrain = 'cement.noDrain';
    case CementNoPlastic = 'cement.noPlastic';
    case CementTooCold = 'cement.tooCold';
    case CementTooHot = 'cement.tooHot';
    case CementTransitionNever = 'cement.transitionNever';
    case CementTransitionBetween = 'cement.transitionBetween';

    case CementTransitionPlace = 'cement.transitionPlace';
    case CementWet = 'cement.wet';

    case CleanoutBase = 'cleanout.base';
    case CleanoutBaseSuggested = 'cleanout.baseSuggested';
    case CleanoutHead = 'cleanout.head';
    case CleanoutSpacing = 'cleanout.spacing';
    case CleanoutTurn = 'cleanout.turn';

    case ClearanceSmall = 'clearance.small';

    case ClosetCount = 'closet.count';
    case ClosetSize = 'closet.size';

    case ClosingUnlikely = 'closing.unlikely';

    case ColdPipe = 'cold.pipe';
    case ColdTrap = 'cold.trap';

    case CrossBarrel = 'cross.barrel';
    case CrossThrows = 'cross.throws';

    case CutBranchMoves = 'cut.branchMoves';
    case CutMissed = 'cut.missed';
    case CutNoStick = 'cut.noStick';
    case CutNotEnough = 'cut.notEnough';
    case CutNotProved = 'cut.notProved';
    case CutTooLong = 'cut.tooLong';
    case CutTooShort = 'cut.tooShort';

    case CutinMeasureCoupling = 'cutin.measureCoupling';
    case CutinMeasureFitting = 'cutin.measureFitting';
    case CutinNoCoupling = 'cutin.noCoupling';
    case CutinNoRoom = 'cutin.noRoom';
    case CutinNoWeight = 'cutin.noWeight';
    case CutinOffPiece = 'cutin.offPiece';

    case EndCapped = 'end.capped';
    case DayBreathTooLong = 'day.breathTooLong';
    case DayClosedTooShort = 'day.closedTooShort';
    case DayTimesNotKnown = 'day.timesNotKnown';
    case DayTwoPeople = 'day.twoPeople';
    case EndDead = 'end.dead';

    case FallBack = 'fall.back';
    case FallBackBetween = 'fall.backBetween';
    case FallByApproval = 'fall.byApproval';
    case FallLeast = 'fall.least';
    case FallLeastNotKnown = 'fall.leastNotKnown';
    case FallMost = 'fall.most';
    case FallNone = 'fall.none';

    case FittingReckoned = 'fitting.reckoned';

    case FixtureGuard = 'fixture.guard';
    case FixtureGuardNotKnown = 'fixture.guardNotKnown';

    case GluedChanged = 'glued.changed';
    case GluedGone = 'glued.gone';
    case GluedMethod = 'glued.method';

    case HangBedded = 'hang.bedded';
    case HangExpands = 'hang.expands';
    case HangGap = 'hang.gap';
    case HangHot = 'hang.hot';
    case HangNotStated = 'hang.notStated';
    case HangOnJoint = 'hang.onJoint';
    case HangPieceTooLong = 'hang.pieceTooLong';
    case HangReadBack = 'hang.readBack';
    case HangReadFlat = 'hang.readFlat';

    case HeadUnknown = 'head.unknown';

    case HotDischarge = 'hot.discharge';

    case JointMeasure = 'joint.measure';
    case JointNoRow = 'joint.noRow';
    case JointNone = 'joint.none';
    case JointRefused = 'joint.refused';
    case JointStrain = 'joint.strain';
    case JointUnknownPipe = 'joint.unknownPipe';

    case JoistEdge = 'joist.edge';
    case JoistFlange = 'joist.flange';
    case JoistHole = 'joist.hole';
    case JoistHoleAlong = 'joist.holeAlong';
    case JoistMakerHole = 'joist.makerHole';
    case JoistMakerTable = 'joist.makerTable';
    case JoistMeasure = 'joist.measure';
    case JoistMeasureAlong = 'joist.measureAlong';
    case JoistNotch = 'joist.notch';
    case JoistNotchMiddle = 'joist.notchMiddle';
    case JoistTruss = 'joist.truss';

    case LegCloseLength = 'leg.closeLength';
    case LegImpossible = 'leg.impossible';
    case LegUnread = 'leg.unread';

    case MakeupEndFall = 'makeup.endFall';
    case MakeupNone = 'makeup.none';
    case MakeupNotAll = 'makeup.notAll';
    case MakeupNotKnown = 'makeup.notKnown';
    case MakeupSizes = 'makeup.sizes';

    case NetworkLoop = 'network.loop';
    case NetworkMisses = 'network.misses';

    case OffsetCutNegative = 'offset.cutNegative';

    case PenetrationOpen = 'penetration.open';

    case PieceTooShort = 'piece.tooShort';

    case PlateCut = 'plate.cut';

    case RunBelow = 'run.below';
    case RunInHand = 'run.inHand';
    case RunNoAdapter = 'run.noAdapter';
    case RunNotLevelled = 'run.notLevelled';

    case SagModulusNotKnown = 'sag.modulusNotKnown';
    case SagPonds = 'sag.ponds';

    case ShieldMeasure = 'shield.measure';
    case ShieldPlate = 'shield.plate';

    case SizeInterval = 'size.interval';
    case SizeLoad = 'size.load';
    case SizeLoadNotKnown = 'size.loadNotKnown';
    case SizeReduced = 'size.reduced';
    case ClosetBendNotKnown = 'size.closetBendNotKnown';
    case SizeReducedInto = 'size.reducedInto';

    case SlipHidden = 'slip.hidden';

    case StackBase = 'stack.base';
    case StackGroundFloor = 'stack.groundFloor';
    case StackLowBranch = 'stack.lowBranch';
    case StackOffset = 'stack.offset';
    case StackRelief = 'stack.relief';
    case StackSuds = 'stack.suds';
    case StackVentFoot = 'stack.ventFoot';
    case StackVentStack = 'stack.ventStack';

    case StandpipeHeight = 'standpipe.height';
    case StandpipeMeasure = 'standpipe.measure';
    case StandpipeTop = 'standpipe.top';
    case StandpipeTrap = 'standpipe.trap';

    case StudEdge = 'stud.edge';
    case StudHole = 'stud.hole';

    case TailpieceAcross = 'tailpiece.across';
    case TailpieceDrop = 'tailpiece.drop';

    case TestAirOnPlastic = 'test.airOnPlastic';
    case TestBookSaysNothing = 'test.bookSaysNothing';
    case TestCureNotKnown = 'test.cureNotKnown';
    case TestFrost = 'test.frost';
    case TestHeadMost = 'test.headMost';
    case TestInTrouble = 'test.inTrouble';
    case TestLitresNotKnown = 'test.litresNotKnown';
    case TestNotCured = 'test.notCured';
    case TestNotMade = 'test.notMade';
    case TestPlugForce = 'test.plugForce';
    case TestPlugHead = 'test.plugHead';
    case TestReopened = 'test.reopened';

    case TimberNotJudged = 'timber.notJudged';

    case TrapDoubled = 'trap.doubled';
    case TrapFixtureNotKnown = 'trap.fixtureNotKnown';
    case TrapKind = 'trap.kind';
    case TrapLarger = 'trap.larger';
    case TrapMissing = 'trap.missing';
    case TrapSeal = 'trap.seal';
    case TrapSize = 'trap.size';

    case TrapfitArmLong = 'trapfit.armLong';
    case TrapfitArmShort = 'trapfit.armShort';
    case TrapfitAside = 'trapfit.aside';
    case TrapfitCabinet = 'trapfit.cabinet';
    case TrapfitDrop = 'trapfit.drop';
    case TrapfitFloor = 'trapfit.floor';
    case TrapfitLow = 'trapfit.low';
    case TrapfitMeasure = 'trapfit.measure';
    case TrapfitMeasureTee = 'trapfit.measureTee';
    case TrapfitOutletHigh = 'trapfit.outletHigh';

    case TurnImpossible = 'turn.impossible';
    case TurnPattern = 'turn.pattern';
    case TurnPatternDoubtful = 'turn.patternDoubtful';

    case ValveLow = 'valve.low';
    case ValveNoOpenVent = 'valve.noOpenVent';
    case ValveRefused = 'valve.refused';

    case ValveOnlyWhere = 'valve.onlyWhere';

    case VentAggregate = 'vent.aggregate';
    case VentBelowRim = 'vent.belowRim';
    case VentFar = 'vent.far';
    case VentFrost = 'vent.frost';
    case VentLevel = 'vent.level';
    case VentStackLong = 'vent.stackLong';
    case VentNotJudged = 'vent.notJudged';

    case VentShared = 'vent.shared';

    case VentSharedNotJudged = 'vent.sharedNotJudged';

    case VentBelowNotKnown = 'vent.belowNotKnown';

    case VentByStack = 'vent.byStack';
    case VentLoad = 'vent.load';
    case VentLong = 'vent.long';
    case VentMadeWet = 'vent.madeWet';
    case VentMissing = 'vent.missing';
    case VentAboveNotKnown = 'vent.aboveNotKnown';
    case VentRimNotKnown = 'vent.rimNotKnown';
    case VentSag = 'vent.sag';
    case VentSize = 'vent.size';
    case VentSizeForLength = 'vent.sizeForLength';
    case VentTakeoff = 'vent.takeoff';
    case VentTerminalLow = 'vent.terminalLow';
    case VentTerminalMeasure = 'vent.terminalMeasure';
    case VentTerminalNear = 'vent.terminalNear';

    case WetventLoad = 'wetvent.load';
    case WetventLoadNotKnown = 'wetvent.loadNotKnown';
    case WetventSize = 'wetvent.size';
}
