namespace Incisura.Core.Milling;

/// <summary>
/// One milling cut: speed, feed, chip, force, power and torque by the relation of Kienzle over the arc of engagement.
/// Every milling operation rests on it.
/// </summary>
/// <param name="Diameter">Diameter in contact D_e, mm, above 0.</param>
/// <param name="Teeth">Number of teeth z, at least 1.</param>
/// <param name="EdgeAngle">Cutting edge angle κ of the edge, degrees, above 0 up to 90.</param>
/// <param name="CuttingSpeed">Cutting speed v_c, m/min, above 0.</param>
/// <param name="FeedPerTooth">Feed per tooth f_z, mm, above 0.</param>
/// <param name="Depth">Depth of cut a_p, mm, above 0.</param>
/// <param name="Width">Width of cut a_e, mm, above 0 up to the diameter.</param>
/// <param name="SpecificForce11">k_c1.1, MPa, above 0.</param>
/// <param name="ChipExponent">m_c, 0 to 0.6.</param>
public readonly record struct MillingCut(
    double Diameter,
    int Teeth,
    double EdgeAngle,
    double CuttingSpeed,
    double FeedPerTooth,
    double Depth,
    double Width,
    double SpecificForce11,
    double ChipExponent)
{
    /// <summary>Largest cutting edge angle along an edge that is not straight, degrees; the same as κ for a straight one.</summary>
    public double LargestEdgeAngle { get; init; } = EdgeAngle;

    /// <summary>Whether the chip is equally thick over the whole arc, as when the feed runs along the axis.</summary>
    public bool EvenChip { get; init; }

    /// <summary>What the end face takes on a helix.</summary>
    public FaceCut Face { get; init; }

    /// <summary>What the edge does in slices along its form; nothing where the mean chip stands for it.</summary>
    public EdgeWork Work { get; init; }

    /// <summary>Run-out of the cutter.</summary>
    public RunOut RunOut { get; init; }

    /// <summary>Whether the width is that of the same arc on a straight wall, a_b.</summary>
    public bool InArc { get; init; }

    /// <summary>Chip thickness where the feed runs along the axis.</summary>
    public static readonly Formula EvenChipFormula = new(
        "h_m", "Chip thickness", Quantity.Chip, "f_z*sin(κ*pi/180)", "feed along the axis: the chip is equally thick over the arc");

    /// <summary>n = 1000·v_c/(π·D_e).</summary>
    public static readonly Formula SpindleSpeedFormula = new(
        "n", "Spindle speed", Quantity.SpindleSpeed, "1000*v_c/(pi*D_e)", "definition of cutting speed; ISO 3002-3");

    /// <summary>v_f = n·z·f_z.</summary>
    public static readonly Formula FeedRateFormula = new(
        "v_f", "Feed rate", Quantity.FeedRate, "n*z*f_z", "definition of feed per tooth; ISO 3002-3");

    /// <summary>Mean chip thickness over the arc.</summary>
    public static readonly Formula MeanChipFormula = new(
        "h_m",
        "Mean chip thickness",
        Quantity.Chip,
        "f_z*sin(κ*pi/180)*(cos(φ_1*pi/180) - cos(φ_2*pi/180))/((φ_2 - φ_1)*pi/180)",
        "mean of the undeformed chip over the arc; Altintas, Manufacturing Automation");

    /// <summary>Largest chip thickness over the arc.</summary>
    public static readonly Formula LargestChipFormula = new(
        "h_max", "Largest chip thickness", Quantity.Chip, "f_z*sin(κ_max*pi/180)*s_max",
        "geometry of the undeformed chip; s_max is the largest sine over the arc, κ_max the largest cutting edge angle along the edge");

    /// <summary>k_c = k_c1.1·h_m^(−m_c).</summary>
    public static readonly Formula SpecificForceFormula = new(
        "k_c", "Specific cutting force", Quantity.Stress, "k_c11*h_m^(-m_c)", "Kienzle and Victor 1952");

    /// <summary>Q = a_p·a_e·v_f/1000.</summary>
    public static readonly Formula RemovalRateFormula = new(
        "Q", "Removal rate", Quantity.RemovalRate, "a_p*a_e*v_f/1000", "volume swept in a minute");

    private static readonly Formula ArcRateFormula = RemovalRateFormula with { Expression = "a_p*a_b*v_f/1000" };

    private static readonly Formula SweptRateFormula = RemovalRateFormula with
    {
        Expression = "A_s*v_f/1000",
        Source = "section swept square to the path, under the middle too",
    };

    private static readonly Formula EdgeRateFormula = RemovalRateFormula with
    {
        Expression = "A_e*v_f/1000",
        Source = "section the edge takes at each of its heights",
    };

    private static readonly Formula EdgeSectionFormula = new(
        "A_e", "Section the edge takes", Quantity.Section, "a_p*w_m", "depth by the mean width w_m of the cut over the heights of the edge");

    private static readonly Formula EdgeTorqueFormula = new(
        "M_s", "Mean torque over a turn", Quantity.Torque, "k_c11*f_z^(1 - m_c)*Σ_M/1000",
        "tangential forces of all teeth on their own radii, each height with its own chip and edge force; Engin and Altintas 2001");

    private static readonly Formula EdgeSpecificFormula = new(
        "k_c", "Specific cutting force", Quantity.Stress, "2000*pi*M_s/(A_e*z*f_z)", "work of a turn over what it removes");

    private static readonly Formula FaceChipFormula = new(
        "h_u", "Chip of the end face", Quantity.Chip, "f_z*sin(α*pi/180)", "the share of the feed that runs along the axis");

    private static readonly Formula FaceSpecificFormula = new(
        "k_u", "Specific force at the end face", Quantity.Stress, "k_c11*h_u^(-m_c)", "Kienzle and Victor 1952");

    private static readonly Formula WithFacePowerFormula = new(
        "P_c", "Cutting power", Quantity.Power, "Q*((1 - q_u)*k_c + q_u*k_u)/60000", "work of the specific forces on what side and end face remove");

    private static readonly Formula FaceForceFormula = new(
        "F_u", "Side force of the end face", Quantity.Force, "2*Q*q_u*k_u/v_c",
        "its work at half the radius, taken in one direction; errs on the safe side");

    /// <summary>P_c = Q·k_c/60000.</summary>
    public static readonly Formula PowerFormula = new(
        "P_c", "Cutting power", Quantity.Power, "Q*k_c/60000", "work of the specific force on the volume removed");

    /// <summary>M = P_c/ω.</summary>
    public static readonly Formula TorqueFormula = new("M", "Torque", Quantity.Torque, "P_c*30000/(pi*n)", "power over angular speed");

    /// <summary>z_c = z·φ_e/360°.</summary>
    public static readonly Formula TeethInCutFormula = new(
        "z_c", "Teeth in cut", Quantity.Ratio, "z*(φ_2 - φ_1)/360", "mean number of teeth within the arc");

    /// <summary>sin κ, exact for 90°.</summary>
    /// <param name="edgeAngle">κ, degrees.</param>
    public static double SineOfEdge(double edgeAngle) => edgeAngle == 90 ? 1 : Math.Sin(double.DegreesToRadians(edgeAngle));

    /// <summary>Works the cut out.</summary>
    /// <param name="arc">Arc of engagement of this width at this diameter.</param>
    /// <param name="load">The result.</param>
    /// <param name="trace">Listens to the steps.</param>
    public void Solve<TTrace>(in ArcOfEngagement arc, out MillingLoad load, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double sineOfEdge = SineOfEdge(EdgeAngle);
        double n = CuttingSetup.SpindleSpeedFor(CuttingSpeed, Diameter);
        double feedRate = n * Teeth * FeedPerTooth;
        double meanChip = FeedPerTooth * sineOfEdge * (EvenChip ? 1 : arc.MeanSine);
        double largestSine = EvenChip ? 1 : arc.LargestSine;
        double steepest = LargestEdgeAngle == EdgeAngle ? sineOfEdge : SineOfEdge(LargestEdgeAngle);
        double largestChip = RunOut.LargestChip(FeedPerTooth, largestSine) * steepest;
        bool swept = Face.Section > 0, inSlices = Work.Section > 0;
        double specificForce = inSlices
            ? 2000 * Math.PI * Work.MeanTorque / (Work.Section * Teeth * FeedPerTooth)
            : SpecificForce11 * Math.Pow(meanChip, -ChipExponent);
        double removalRate = (swept ? Face.Section : inSlices ? Work.Section : Depth * Width) * feedRate / 1000;
        double faceChip = FeedPerTooth * Face.ChipRatio, faceForce = 0, power = removalRate * specificForce / 60000;
        double faceSpecific = Face.Share > 0 ? SpecificForce11 * Math.Pow(faceChip, -ChipExponent) : 0;
        if (Face.Share > 0)
        {
            power = removalRate * (((1 - Face.Share) * specificForce) + (Face.Share * faceSpecific)) / 60000;
            faceForce = 2 * removalRate * Face.Share * faceSpecific / CuttingSpeed;
        }

        double torque = power * 30000 / (Math.PI * n);
        double teethInCut = Teeth * arc.Length / (2 * Math.PI);
        load = new(n, feedRate, meanChip, largestChip, specificForce, removalRate, power, torque, teethInCut)
        {
            FaceForce = faceForce,
            FacePower = removalRate * Face.Share * faceSpecific / 60000,
        };
        if (!TTrace.Listens) return;

        double φ1 = double.RadiansToDegrees(arc.Entry), φ2 = double.RadiansToDegrees(arc.Exit);
        trace.Take(SpindleSpeedFormula, n, new("v_c", CuttingSpeed), new("D_e", Diameter));
        trace.Take(FeedRateFormula, feedRate, new("n", n), new("z", Teeth), new("f_z", FeedPerTooth));
        if (EvenChip) trace.Take(EvenChipFormula, meanChip, new("f_z", FeedPerTooth), new("κ", EdgeAngle));
        else trace.Take(MeanChipFormula, meanChip, new("f_z", FeedPerTooth), new("κ", EdgeAngle), new("φ_1", φ1), new("φ_2", φ2));
        if (RunOut.Step > 0)
            trace.Take(
                RunOut.LargestChipFormula, largestChip, new("f_z", FeedPerTooth), new("s_max", largestSine), new("e_r", RunOut.Offset),
                new("z", Teeth), new("κ_max", LargestEdgeAngle));
        else trace.Take(LargestChipFormula, largestChip, new("f_z", FeedPerTooth), new("κ_max", LargestEdgeAngle), new("s_max", largestSine));
        if (inSlices)
        {
            trace.Take(EdgeSectionFormula, Work.Section, new("a_p", Depth), new("w_m", Work.Section / Depth));
            double chip = SpecificForce11 * Math.Pow(FeedPerTooth, 1 - ChipExponent);
            trace.Take(
                EdgeTorqueFormula, Work.MeanTorque, new("k_c11", SpecificForce11), new("f_z", FeedPerTooth), new("m_c", ChipExponent),
                new("Σ_M", 1000 * Work.MeanTorque / chip));
            trace.Take(
                EdgeSpecificFormula, specificForce, new("M_s", Work.MeanTorque), new("A_e", Work.Section), new("z", Teeth), new("f_z", FeedPerTooth));
        }
        else trace.Take(SpecificForceFormula, specificForce, new("k_c11", SpecificForce11), new("h_m", meanChip), new("m_c", ChipExponent));

        if (!swept && inSlices) trace.Take(EdgeRateFormula, removalRate, new("A_e", Work.Section), new("v_f", feedRate));
        else if (swept) trace.Take(SweptRateFormula, removalRate, new("A_s", Face.Section), new("v_f", feedRate));
        else
            trace.Take(
                InArc ? ArcRateFormula : RemovalRateFormula, removalRate, new("a_p", Depth), new(InArc ? "a_b" : "a_e", Width), new("v_f", feedRate));
        if (Face.Share > 0)
        {
            trace.Take(FaceChipFormula, faceChip, new("f_z", FeedPerTooth), new("α", double.RadiansToDegrees(Math.Asin(Face.ChipRatio))));
            trace.Take(FaceSpecificFormula, faceSpecific, new("k_c11", SpecificForce11), new("h_u", faceChip), new("m_c", ChipExponent));
            trace.Take(
                WithFacePowerFormula, power, new("Q", removalRate), new("q_u", Face.Share), new("k_c", specificForce), new("k_u", faceSpecific));
            trace.Take(
                FaceForceFormula, faceForce, new("Q", removalRate), new("q_u", Face.Share), new("k_u", faceSpecific), new("v_c", CuttingSpeed));
        }
        else trace.Take(PowerFormula, power, new("Q", removalRate), new("k_c", specificForce));

        trace.Take(TorqueFormula, torque, new("P_c", power), new("n", n));
        trace.Take(TeethInCutFormula, teethInCut, new("z", Teeth), new("φ_1", φ1), new("φ_2", φ2));
    }
}

/// <summary>What an edge does in slices along its form.</summary>
/// <param name="Section">Section A_e of the work it takes square to the path, mm²; 0 where the mean chip stands for it.</param>
/// <param name="MeanTorque">Mean torque M_s over a turn, N·m.</param>
public readonly record struct EdgeWork(double Section, double MeanTorque);

/// <summary>What one milling cut asks of cutter and machine.</summary>
/// <param name="SpindleSpeed">n, rev/min.</param>
/// <param name="FeedRate">v_f, mm/min.</param>
/// <param name="MeanChip">h_m, mm.</param>
/// <param name="LargestChip">h_max, mm.</param>
/// <param name="SpecificForce">k_c, MPa.</param>
/// <param name="RemovalRate">Q, cm³/min.</param>
/// <param name="Power">Cutting power P_c, kW, before the efficiency of the machine.</param>
/// <param name="Torque">M, N·m.</param>
/// <param name="TeethInCut">z_c, mean number of teeth in cut.</param>
public readonly record struct MillingLoad(
    double SpindleSpeed,
    double FeedRate,
    double MeanChip,
    double LargestChip,
    double SpecificForce,
    double RemovalRate,
    double Power,
    double Torque,
    double TeethInCut)
{
    /// <summary>Share of the power that the end face takes on a helix, kW; 0 elsewhere.</summary>
    public double FacePower { get; init; }

    /// <summary>Side force of the end face on a helix, N; 0 elsewhere.</summary>
    public double FaceForce { get; init; }
}
