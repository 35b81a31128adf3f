using Incisura.Core.Geometry;
using Incisura.Core.Machines;

namespace Incisura.Core.Turning;

/// <summary>Speeds, forces, bends, time and limits of a course of turning: what every operation of it has in common.</summary>
internal static class CourseLoad
{
    // Places along a course at which what changes with the diameter is looked at, beside where the clamp begins.
    private const int Looks = 5;

    // Roughing feeds above half the corner radius break corners (shop practice, Degner, Spanende Formung).
    private const double CornerShare = 0.5;

    private static readonly Formula ProgrammedFormula = new(
        "v_p", "Surface speed to program", Quantity.CuttingSpeed, "v_c*D_l/(D_l + 2*k_o*a_p)",
        "the control holds the speed at the tip; the chip's outside, where k_o = 1, runs faster, most in the last pass, and stays at v_c");
    private static readonly Formula ClampFormula = new(
        "D_n", "Diameter below which the clamp holds", Quantity.Length, "1000*v_p/(pi*n_g)", "definition of cutting speed; ISO 3002-3");
    private static readonly Formula FirstFormula = new(
        "n", "Spindle speed at the largest Ø", Quantity.SpindleSpeed, "min(1000*v_p/(pi*D_m), n_g)", "constant surface speed up to its clamp");
    private static readonly Formula TopFormula = new(
        "n_2", "Highest speed on the way", Quantity.SpindleSpeed, "min(1000*v_p/(pi*max(D_k, 1e-9)), n_g)", "the same at the smallest diameter");
    private static readonly Formula FastestFormula = new(
        "D_s", "Diameter of the tip where it cuts fastest", Quantity.Length, "max(D_k, min(D_m, D_n))", "where the clamp begins, on the way");
    private static readonly Formula UsedFormula = new(
        "v_u", "Cutting speed in use", Quantity.CuttingSpeed, "pi*(D_s + 2*k_o*a_p)*min(1000*v_p/(pi*D_s), n_g)/1000",
        "largest on the way, at the outside of the chip");
    private static readonly Formula ForceFormula = new(
        "F_c", "Cutting force", Quantity.Force, "k_c11*q_c",
        "q_c is the sum of h^(1 − m_c) over the edge in the work, its corner exactly, where most of it is: along an outline as it comes to a side that "
            + "rises; Kienzle and Victor 1952");
    private static readonly Formula FeedForceFormula = new(
        "F_f", "Feed force", Quantity.Force, "k_r*k_c11*q_f",
        "square to the edge at every place, its part along the feed where that is largest, q_f");
    private static readonly Formula PassiveFormula = new(
        "F_p", "Passive force", Quantity.Force, "k_r*k_c11*q_p",
        "square to the edge at every place, its part away from the work where that is largest, q_p");
    private static readonly Formula SpecificFormula = new(
        "k_c", "Specific force", Quantity.Stress, "F_c/A", "force over the section of the chip");
    private static readonly Formula ThinFormula = new(
        "h_κ", "Chip where the outline rises most", Quantity.Chip, "f*sin(max(0, κ - κ_o)*pi/180)",
        "going up a side, the main edge leans from it by κ less the rise");
    private static readonly Formula RateFormula = new("Q", "Removal rate", Quantity.RemovalRate, "a_p*f*v_u", "section by the speed");
    private static readonly Formula PowerFormula = TurningCut.PowerFormula with { Expression = "F_c*v_u/60000", Source = "force by speed" };
    private static readonly Formula TorqueFormula = TurningCut.TorqueFormula with
    {
        Expression = "F_c*D_a/2000",
        Source = "force by half the largest diameter that cuts",
    };
    private static readonly Formula OuterFormula = new("D_a", "Largest diameter cut", Quantity.Length, "D_m + 2*k_o*a_p", "outside of the chip");
    private static readonly Formula BlowFormula = new(
        "k_i", "Rise of a bend by forces that come at once", Quantity.Ratio, "1 + min(1, ceil(1 - q_i))",
        "an interrupted cut: a spring that is loaded at once goes twice as far; Den Hartog, Mechanical Vibrations");
    private static readonly Formula ToolFormula = new(
        "δ", "Deflection at the tip", Quantity.Deviation, "k_i*K_0*sqrt(F_c^2 + F_q^2)",
        "cutting force and the force F_q across the shank, on what stands out of the holder; Euler-Bernoulli");
    private static readonly Formula WorkFormula = new(
        "δ_b", "Bend of the work", Quantity.Deviation, "k_i*F_r*q_w",
        "radial force F_r by what the work gives where it gives most on the way, q_w in µm/N: stepped beam clamped in the chuck; Euler-Bernoulli");
    private static readonly Formula ErrorFormula = new(
        "δ_w", "Bend away from the cut", Quantity.Deviation, "δ_b + k_b*k_i*F_r*K_0", "work, and inside, where k_b = 1, the bar");
    private static readonly Formula FormFormula = new(
        "Δ_D", "Error of form on Ø", Quantity.Deviation, "2*F_r*(q_w - q_l)", "where the work gives most against where it gives least, q_l");
    private static readonly Formula RidgeFormula = new(
        "R_th", "Peak to valley, theory", Quantity.Deviation, "1000*(r_ε - sqrt(r_ε^2 - f^2/4))",
        "corner beside corner; f²/(8·r_ε) is its usual approximation");
    private static readonly Formula EdgesFormula = RidgeFormula with
    {
        Expression = "1000*q_m",
        Source = "beyond the corner the straight edges make part of the mark, q_m mm high; Boothroyd and Knight",
    };
    private static readonly Formula WipedFormula = RidgeFormula with
    {
        Expression = "1000*max(q_m, q_n/2)",
        Source = "marks over the part of the feed that the wiper edge leaves, q_m mm high, and never less than half of those without it, q_n",
    };
    private static readonly Formula NeededFormula = new(
        "F_n", "Clamping force needed", Quantity.Force, "k_i*S_s/μ_s*sqrt((F_c*D_h/d_g)^2 + F_x^2)",
        "friction of all jaws against turning at D_h and slipping along, with safety; VDI 3106");
    private static readonly Formula TimeFormula = new(
        "T", "Time", Quantity.Time, "q_t + l_r/v_rapid",
        "passes at feed, each at its own speed with the clamp taken where it begins, q_t; the way back in rapid");

    /// <summary>The surface speed of a course: what is programmed, and its clamp.</summary>
    public static SurfaceSpeed SpeedOf(in TurnedCourse c, in Inputs x)
    {
        double last = Math.Max(c.Last, 1e-9);
        return new(c.ChipOutside ? x[Input.CuttingSpeed] * last / c.OuterAt(last) : x[Input.CuttingSpeed], x[Input.SpeedClamp]);
    }

    /// <summary>Works everything out but time and limits.</summary>
    /// <returns>Largest diameter that cuts where the chuck is nearest to letting go, mm.</returns>
    public static double Solve<TTrace>(TurnedSetup setup, in Inputs x, in TurnedCourse c, in HeldWork held, ref WorkResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double wear = Common.Wear(x), force11 = setup.SpecificForce11 * wear, f = x[Input.FeedPerRevolution];
        CourseForces forces = Forces(setup, c, f, force11);
        CornerLoad load = forces.Load;
        SurfaceSpeed speed = SpeedOf(c, x);
        r[Output.ProgrammedSpeed] = speed.CuttingSpeed;
        r[Output.ClampDiameter] = speed.ClampDiameter;
        r[Output.SpindleSpeed] = speed.SpeedAt(c.Most);
        r[Output.TopSpeed] = speed.SpeedAt(Math.Max(c.Least, 1e-9));
        double fastest = Math.Max(c.Least, Math.Min(c.Most, speed.ClampDiameter)),
            used = CuttingSetup.CuttingSpeedFor(speed.SpeedAt(fastest), c.OuterAt(fastest));
        r[Output.SpeedInUse] = used;
        r[Output.FeedInUse] = f;
        r[Output.FeedRate] = r[Output.TopSpeed] * f;
        r[Output.Depth] = c.Depth;
        r[Output.PassesDown] = c.Passes;
        r[Output.Chip] = f * Math.Sin(double.DegreesToRadians(c.EdgeAngle));
        r[Output.EdgeLength] = forces.Edge;
        r[Output.LargestChip] = forces.Chip;
        r[Output.MeanChip] = load.MeanChip;
        r[Output.CuttingForce] = load.Cutting;
        r[Output.Thrust] = forces.Feed;
        if (!setup.IsBlade) r[Output.PassiveForce] = forces.Passive;
        if (forces.ThinChip > 0) (r[Output.ThinChip], r[Output.SteepRise]) = (forces.ThinChip, double.RadiansToDegrees(forces.Steepest));
        r[Output.SpecificForce] = load.Cutting / load.Section;
        r[Output.RemovalRate] = c.Depth * f * used;
        r[Output.Power] = load.Cutting * used / 60_000;
        r[Output.MotorPower] = CuttingSetup.MotorPower(r[Output.Power], setup.Efficiency);
        r[Output.OuterDiameter] = c.OuterAt(c.Most);
        r[Output.Torque] = load.Cutting * r[Output.OuterDiameter] / 2000;
        if (TTrace.Listens)
        {
            trace.Take(
                ProgrammedFormula, speed.CuttingSpeed, new("v_c", x[Input.CuttingSpeed]), new("D_l", Math.Max(c.Last, 1e-9)),
                new("k_o", c.ChipOutside ? 1 : 0), new("a_p", c.Depth));
            trace.Take(ClampFormula, speed.ClampDiameter, new("v_p", speed.CuttingSpeed), new("n_g", speed.Clamp));
            trace.Take(FirstFormula, r[Output.SpindleSpeed], new("v_p", speed.CuttingSpeed), new("D_m", c.Most), new("n_g", speed.Clamp));
            trace.Take(TopFormula, r[Output.TopSpeed], new("v_p", speed.CuttingSpeed), new("D_k", c.Least), new("n_g", speed.Clamp));
            trace.Take(FastestFormula, fastest, new("D_k", c.Least), new("D_m", c.Most), new("D_n", speed.ClampDiameter));
            trace.Take(
                UsedFormula, used, new("D_s", fastest), new("k_o", c.ChipOutside ? 1 : 0), new("a_p", c.Depth), new("v_p", speed.CuttingSpeed),
                new("n_g", speed.Clamp));
            trace.Take(TurningCut.FeedRateFormula with { Expression = "n_2*f" }, r[Output.FeedRate], new("n_2", r[Output.TopSpeed]), new("f", f));
            trace.Take(
                TurningCut.ChipFormula with { Expression = "f*sin(κ*pi/180)" }, r[Output.Chip], new("f", f), new("κ", c.EdgeAngle));
            if (r.Has(Output.ThinChip))
                trace.Take(ThinFormula, forces.ThinChip, new("f", f), new("κ", c.EdgeAngle), new("κ_o", r[Output.SteepRise]));
            setup.TellForce11(wear, ref trace);
            trace.Take(ForceFormula, load.Cutting, new("k_c11", force11), new("q_c", load.Cutting / force11));
            trace.Take(
                FeedForceFormula, forces.Feed, new("k_r", setup.RadialRatio), new("k_c11", force11),
                new("q_f", forces.Feed / force11 / setup.RadialRatio));
            if (!setup.IsBlade) trace.Take(
                PassiveFormula, forces.Passive, new("k_r", setup.RadialRatio), new("k_c11", force11),
                new("q_p", forces.Passive / force11 / setup.RadialRatio));
            trace.Take(SpecificFormula, r[Output.SpecificForce], new("F_c", load.Cutting), new("A", load.Section));
            trace.Take(RateFormula, r[Output.RemovalRate], new("a_p", c.Depth), new("f", f), new("v_u", used));
            trace.Take(PowerFormula, r[Output.Power], new("F_c", load.Cutting), new("v_u", used));
            setup.TellMotorPower(r[Output.Power], ref trace);
            trace.Take(
                OuterFormula, r[Output.OuterDiameter], new("D_m", c.Most), new("k_o", c.ChipOutside ? 1 : 0), new("a_p", c.Depth));
            trace.Take(TorqueFormula, r[Output.Torque], new("F_c", load.Cutting), new("D_a", r[Output.OuterDiameter]));
        }

        Bends(setup, x, c, held, forces, ref r, ref trace);
        if (!setup.IsBlade) Marks(setup, c, f, ref r, ref trace);
        return Grip(setup, x, c, forces, speed, ref r, ref trace);
    }

    private static CourseForces Forces(TurnedSetup setup, in TurnedCourse c, double feed, double force11)
    {
        CourseForces forces = new(
            CornerLoad.Of(feed, c.Depth, c.EdgeAngle, c.CornerRadius, force11, setup.ChipExponent, setup.RadialRatio), c.Across);
        if (double.IsNaN(c.FaceStock)) return forces;
        IReadOnlyList<OutlineWall> walls = setup.Contour.Walls;
        for (int i = 0; i < walls.Count; i++)
            forces.Take(walls[i], WallLoad.Of(walls[i], c, setup.EdgeReaches, feed, force11, setup.ChipExponent, setup.RadialRatio));
        return forces;
    }

    /// <summary>The time, by walking the way.</summary>
    public static void Time<TKind, TTrace>(TurnedSetup setup, in Inputs x, in TurnedCourse c, ref WorkResult r, ref TTrace trace)
        where TKind : struct, ITurningKind
        where TTrace : struct, ITrace
    {
        WaySum sum = default;
        TKind.Walk(setup, x, c, SpeedOf(c, x), ref sum);
        r[Output.Time] = sum.Time;
        if (TTrace.Listens)
            trace.Take(
                TimeFormula, sum.Time, new("q_t", sum.Time - (sum.Moved / setup.RapidFeed)), new("l_r", sum.Moved),
                new("v_rapid", setup.RapidFeed));
    }

    /// <summary>Judges the limits all turning operations share; <paramref name="gripAt"/> as <see cref="Solve"/> returned it.</summary>
    public static void Judge(TurnedSetup setup, in Inputs x, in TurnedCourse c, double gripAt, in WorkResult r, ref LimitSet limits)
    {
        Drive(setup, x, c, r, ref limits);
        if (x.IsTyped(Input.SpeedClamp)) limits.Add(TurningLimits.Clamp, x[Input.SpeedClamp], setup.LargestSpeed);
        WorkSpindle.Judge(r, ref limits, gripAt);
        setup.Turning.JudgeLever(r, r[Output.TopSpeed], ref limits);
        if (setup.LeastDepthAt(x[Input.FeedPerRevolution]) is var least && !double.IsNaN(least))
        {
            limits.Add(TurningLimits.LeastFormingDepth, c.Depth, least);
            limits.Add(TurningLimits.LargestFormingDepth, c.Depth, setup.Cutter[Cutters.Dimension.LargestFormingDepth]);
        }

        limits.Add(TurningLimits.LeastFormingFeed, x[Input.FeedPerRevolution], setup.Cutter[Cutters.Dimension.LeastFormingFeed]);
        limits.Add(TurningLimits.LargestFormingFeed, x[Input.FeedPerRevolution], setup.LargestFeedAt(c.Depth));
        if (!setup.IsBlade)
        {
            limits.Add(TurningLimits.EdgeLength, r[Output.EdgeLength], setup.EdgeAllowed);
            limits.Add(TurningLimits.WholeEdge, r[Output.EdgeLength], setup.WholeEdge);
            if (c.CornerRadius > 0) limits.Add(TurningLimits.CornerFeed, x[Input.FeedPerRevolution], CornerShare * c.CornerRadius);
        }

        limits.Add(Limits.Deflection, r[Output.Deflection], x[Input.DeflectionAllowed]);
        limits.Add(TurningLimits.SizeError, r[Output.WallError], x[Input.DeflectionAllowed]);
        if (!double.IsNaN(setup.Grip)) limits.Add(Limits.Grip, setup.Grip, setup.LeastGrip);
        if (x.IsTyped(Input.ToolLife)) limits.Add(Limits.ToolLife, r[Output.ToolLife], x[Input.ToolLife]);
    }

    // What spindle and axes give changes along the course: each limit where it is worst.
    private static void Drive(TurnedSetup setup, in Inputs x, in TurnedCourse c, in WorkResult r, ref LimitSet limits)
    {
        SurfaceSpeed speed = SpeedOf(c, x);
        Worst power = default, shortPower = default, torque = default, shortTorque = default;
        for (int i = 0; i <= Looks; i++)
        {
            double tip = LookAt(c, speed, i), outer = c.OuterAt(tip), n = speed.SpeedAt(tip),
                motor = CuttingSetup.MotorPower(r[Output.CuttingForce] * CuttingSetup.CuttingSpeedFor(n, outer) / 60_000, setup.Efficiency),
                turning = r[Output.CuttingForce] * outer / 2000;
            SpindlePoint gives = setup.Curve.At(n);
            power.Take(motor, gives.Power, outer);
            shortPower.Take(motor, gives.ShortPower, outer);
            torque.Take(turning, gives.Torque, outer);
            shortTorque.Take(turning, gives.ShortTorque, outer);
        }

        limits.Add(Limits.HighestSpeed, CuttingSetup.SpindleSpeedFor(speed.CuttingSpeed, c.Most), setup.LargestSpeed);
        limits.Add(Limits.LowestSpeed, r[Output.SpindleSpeed], setup.LeastSpeed);
        power.Tell(Limits.PowerContinuous, ref limits);
        shortPower.Tell(Limits.PowerShortTime, ref limits);
        torque.Tell(Limits.TorqueContinuous, ref limits);
        shortTorque.Tell(Limits.TorqueShortTime, ref limits);
        limits.Add(Limits.AxisFeed, r[Output.FeedRate], setup.LargestFeed);
    }

    // Diameter of the tip at one of the places looked at; the last is where the clamp begins, or the nearest to it.
    private static double LookAt(in TurnedCourse c, in SurfaceSpeed speed, int i) => Math.Max(
        1e-9, i == Looks ? Math.Max(c.Least, Math.Min(c.Most, speed.ClampDiameter)) : c.First + ((c.Last - c.First) * i / (Looks - 1)));

    private static void Bends<TTrace>(
        TurnedSetup setup, in Inputs x, in TurnedCourse c, in HeldWork held, in CourseForces forces, ref WorkResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double radial = forces.Radial, across = setup.Inside ? radial : forces.Axial, blow = x.Blow;
        r[Output.Deflection] = blow * setup.Tip.Deflection(double.Hypot(forces.Load.Cutting, across), 0);
        (double most, double least) = Gives(setup, x, c, held);
        r[Output.WorkBend] = blow * radial * most;
        r[Output.WallError] = r[Output.WorkBend] + (setup.Inside ? blow * setup.Tip.Deflection(radial, 0) : 0);
        if (!c.Across) r[Output.FormError] = 2 * radial * (most - least);
        if (!TTrace.Listens) return;
        trace.Take(BlowFormula, blow, new Term("q_i", x[Input.CutShare]));
        trace.Take(
            ToolFormula, r[Output.Deflection], new("k_i", blow), new("K_0", setup.Tip.AtTip), new("F_c", forces.Load.Cutting),
            new("F_q", across));
        trace.Take(WorkFormula, r[Output.WorkBend], new("k_i", blow), new("F_r", radial), new("q_w", most));
        trace.Take(
            ErrorFormula, r[Output.WallError], new("δ_b", r[Output.WorkBend]), new("k_b", setup.Inside ? 1 : 0), new("k_i", blow),
            new("F_r", radial), new("K_0", setup.Tip.AtTip));
        if (!c.Across) trace.Take(FormFormula, r[Output.FormError], new("F_r", radial), new("q_w", most), new("q_l", least));
    }

    // What the work gives where it gives most and least on the way, µm/N.
    private static (double Most, double Least) Gives(TurnedSetup setup, in Inputs x, in TurnedCourse c, in HeldWork held)
    {
        double length = Math.Max(x[Input.StandsOut], 1e-3), turned = Math.Min(held.TurnedLength, length - 1e-3);
        IReadOnlyList<WorkStep> slices = setup.Contour.Slices;
        int room = slices.Count + 2, count = 0;
        Span<WorkStep> steps = stackalloc WorkStep[room];
        Span<WorkSums> sums = stackalloc WorkSums[room];
        if (length - turned > 1e-6) steps[count++] = new(length - turned, held.Near, held.Bore);
        if (turned > 1e-6 && setup.Outline is not null && !c.Across)
            for (int i = 0; i < slices.Count; i++)
            {
                (double along, double d, _) = slices[i];
                steps[count++] = setup.Inside
                    ? new(along, held.Near, Math.Min(d - (2 * held.Left), 0.999 * held.Near))
                    : new(along, d + (2 * held.Left), Math.Min(held.Bore, 0.999 * d));
            }
        else if (turned > 1e-6) steps[count++] = new(turned, held.Turned, held.TurnedBore);
        Span<double> holds = stackalloc double[1];
        holds[0] = Math.Clamp(x.Steady ? x[Input.SteadyAt] : length, 1e-3, length);
        SteppedWork work = new(steps[..count], sums, setup.WorkModulus, x.Centre || x.Steady ? holds : default);
        double from = Math.Clamp(c.From, 0, work.Length), to = Math.Clamp(c.To, from, work.Length);
        if (!c.Across || to > from)
        {
            (_, double most) = work.Worst(1, from, to);
            return (most, Math.Min(work.Bend(1, from, from), work.Bend(1, to, to)));
        }

        double there = work.Bend(1, to, to);
        return (there, there);
    }

    private static void Marks<TTrace>(TurnedSetup setup, in TurnedCourse c, double feed, ref WorkResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double mark = setup.MarkAngle(c.Across), height = FeedMark.Wiped(feed, setup.CornerRadius, c.EdgeAngle, mark, setup.Wiper);
        r[Output.PeakToValley] = height;
        if (!TTrace.Listens) return;
        if (setup.Wiper > 0)
        {
            double over = feed > setup.Wiper ? FeedMark.Exact(feed - setup.Wiper, setup.CornerRadius, c.EdgeAngle, mark) : 0;
            trace.Take(
                WipedFormula, height, new("q_m", over / 1000),
                new("q_n", FeedMark.Exact(feed, setup.CornerRadius, c.EdgeAngle, mark) / 1000));
            return;
        }

        bool corner = feed < 2 * setup.CornerRadius && Math.Abs((1000 * RoundCut.Ridge(setup.CornerRadius, feed)) - height) <= 1e-9 * height;
        if (corner) trace.Take(RidgeFormula, height, new("r_ε", setup.CornerRadius), new("f", feed));
        else trace.Take(EdgesFormula, height, new Term("q_m", height / 1000));
    }

    // Where along the way the chuck is nearest to letting go: the work turns slowest at its largest diameter, where the cut has the longest lever.
    private static (double Outer, double Speed, double Needed, double Left) GripWorst(
        TurnedSetup setup, in Inputs x, in TurnedCourse c, in CourseForces forces, in SurfaceSpeed speed)
    {
        ChuckGrip grip = setup.Turning.ClampedBy ?? new(double.PositiveInfinity, 1, 0, 0);
        double most = -1;
        (double, double, double, double) worst = default;
        for (int i = 0; i <= Looks; i++)
        {
            double tip = LookAt(c, speed, i), outer = c.OuterAt(tip), n = speed.SpeedAt(tip), left = grip.At(n),
                needed = x.Blow * ChuckGrip.Needed(
                    forces.Load.Cutting, forces.Axial, outer, x[Input.GrippedDiameter], setup.Turning.Friction, setup.Practice.GripSafety);

            // Of a chuck nobody has measured the largest need is told.
            double use = setup.Turning.ClampedBy is null ? needed : needed / Math.Max(left, 1e-6);
            if (use > most) (most, worst) = (use, (outer, n, needed, left));
        }

        return worst;
    }

    private static double Grip<TTrace>(
        TurnedSetup setup, in Inputs x, in TurnedCourse c, in CourseForces forces, in SurfaceSpeed speed, ref WorkResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        if (x.OnlyJaws)
            setup.Turning.Lever(
                new(forces.Load.Cutting, forces.Radial, forces.Axial, r[Output.OuterDiameter], c.To), x, x.Blow, setup.Practice, ref r, ref trace);
        (double outer, double n, double needed, double left) = GripWorst(setup, x, c, forces, speed);
        r[Output.GripNeeded] = needed;
        if (setup.Turning.ClampedBy is not null) r[Output.GripLeft] = left;
        if (!TTrace.Listens) return outer;
        trace.Take(
            NeededFormula, needed, new("k_i", x.Blow), new("S_s", setup.Practice.GripSafety), new("μ_s", setup.Turning.Friction),
            new("F_c", forces.Load.Cutting), new("D_h", outer), new("d_g", x[Input.GrippedDiameter]), new("F_x", forces.Axial));
        if (setup.Turning.ClampedBy is { } grip) ChuckGrip.Tell(grip, n, ref trace);
        return outer;
    }

    // The largest use of a limit on the way, with where it is.
    private struct Worst
    {
        private double use, used, allowed, at;
        private bool any;

        public void Take(double value, double limit, double diameter)
        {
            if (any && !(value / limit > use)) return;
            (use, used, allowed, at, any) = (value / limit, value, limit, diameter, true);
        }

        public readonly void Tell(LimitDefinition definition, ref LimitSet limits)
        {
            if (double.IsNaN(allowed)) limits.Add(definition, used, allowed);
            else limits.AddAt(definition, used, allowed, at);
        }
    }
}
