using Incisura.Core.Cutters;
using Incisura.Core.Geometry;
using Incisura.Core.Machines;

namespace Incisura.Core.Holders;

/// <summary>One part held in the next, with what the joint allows.</summary>
/// <param name="Field">Field of the projection in the assembly.</param>
/// <param name="Held">Number of what is held.</param>
/// <param name="Form">Form of its shank.</param>
/// <param name="Size">Size of its shank, mm.</param>
/// <param name="Length">Its overall length, mm.</param>
/// <param name="Outside">Length that must stay outside, mm.</param>
/// <param name="In">What holds it.</param>
/// <param name="Projection">Length outside, mm.</param>
/// <param name="ShankFrom">Where the shank begins that is gripped, mm from its front.</param>
public sealed record Joint(
    string Field, string Held, ShankForm Form, double Size, double Length, double Outside, Holder In, double Projection, double ShankFrom)
{
    /// <summary>Whether the part seats flush, so that its projection is its length.</summary>
    public bool Flush => Holder.Flush.Contains(Form);

    /// <summary>Least projection, mm.</summary>
    public double Least => Flush ? Length : Math.Max(Outside, Length - In.BoreDepth);

    /// <summary>Largest projection, mm.</summary>
    public double Most => Flush ? Length : Length - In.LeastGrip;

    /// <summary>Length gripped, mm: of what is inside, the shank.</summary>
    public double Grip => Length - Math.Max(Projection, ShankFrom);

    internal void Check(InputCheck check, string holderField)
    {
        string takes = In.LeastClamping == In.LargestClamping
            ? $"{In.LeastClamping:0.###}"
            : $"{In.LeastClamping:0.###} to {In.LargestClamping:0.###}";
        check
            .Holds(
                Form == In.Takes, holderField, double.NaN,
                $"{Held} has a {Words(Form)} and {In.Number} takes a {Words(In.Takes)}; choose another holder or put an extension between them.")
            .Holds(
                Form != In.Takes || (Size >= In.LeastClamping - 1e-9 && Size <= In.LargestClamping + 1e-9), holderField, Size,
                $"Holder {In.Number} clamps {takes} mm and the shank of {Held} is {Size:0.###} mm; choose another "
                    + "holder, or a reduction sleeve between them.")
            .Holds(
                Most >= Least, holderField, Length,
                $"{Held} is too short for holder {In.Number}: gripping {In.LeastGrip:0.###} mm leaves {Most:0.###} mm outside, and {Least:0.###} "
                    + "mm must stand outside; choose a holder that grips less.")
            .Holds(
                Flush || !(Most >= Least) || Length - ShankFrom >= In.LeastGrip - 1e-9, holderField, Length - ShankFrom,
                $"The shank of {Held} is {Length - ShankFrom:0.###} mm long and {In.Number} grips at least {In.LeastGrip:0.###} mm; choose a "
                    + "holder that grips less, or a longer shank.")
            .Holds(
                !(Most >= Least) || (double.IsFinite(Projection) && Projection >= Least - 1e-9 && Projection <= Most + 1e-9),
                Field,
                Projection,
                Flush
                    ? $"{Held} seats flush, so it stands out {Length:0.###} mm; the projection is {Projection:0.###} mm."
                    : $"The projection of {Held} is {Projection:0.###} mm; it must lie between {Least:0.###} mm (what cuts and what is thicker "
                        + $"than the shank outside, the shank within the bore) and {Most:0.###} mm (so that {In.LeastGrip:0.###} mm stay gripped).");
    }

    private static string Words(ShankForm form) => form switch
    {
        ShankForm.Cylindrical => "cylindrical shank",
        ShankForm.Square => "square shank",
        ShankForm.Blade => "blade",
        ShankForm.Arbor => "bore for an arbor",
        _ => "modular coupling",
    };
}

/// <summary>An assembly with the things it is made of, put together.</summary>
public sealed class BuiltAssembly
{
    /// <summary>Puts an assembly together.</summary>
    /// <param name="assembly">The assembly.</param>
    /// <param name="cutter">Its cutter, taken as checked.</param>
    /// <param name="holder">Its holder, taken as checked.</param>
    /// <param name="extensions">Its extensions in its own order, taken as checked.</param>
    public BuiltAssembly(Assembly assembly, Cutter cutter, Holder holder, IReadOnlyList<Holder> extensions)
    {
        (Definition, Cutter, Holder, Extensions) = (assembly, cutter, holder, extensions);
        List<Joint> joints = [];
        Holder Behind(int i) => i < extensions.Count ? extensions[i] : holder;
        joints.Add(new(
            "projection", $"Cutter {cutter.Number}", cutter.Described.Shank, cutter.ShankSize, cutter.OverallLength, cutter.LeastProjection,
            Behind(0), assembly.Projection, cutter.ShankFrom));
        for (int i = 0; i < extensions.Count; i++)
        {
            Holder e = extensions[i];
            joints.Add(new(
                $"extensions[{i}].projection", $"Extension {e.Number}", e.BackForm, e.BackSize, e.GaugeLength + e.BackLength, e.GaugeLength,
                Behind(i + 1), assembly.Extensions[i].Projection, e.GaugeLength));
        }

        Joints = joints;
        ToolLength = assembly.Projection + assembly.Extensions.Sum(e => e.Projection);
    }

    /// <summary>The assembly.</summary>
    public Assembly Definition { get; }

    /// <summary>Its cutter.</summary>
    public Cutter Cutter { get; }

    /// <summary>Its holder.</summary>
    public Holder Holder { get; }

    /// <summary>Its extensions, from the cutter to the holder.</summary>
    public IReadOnlyList<Holder> Extensions { get; }

    /// <summary>Its joints, from the cutter to the holder.</summary>
    public IReadOnlyList<Joint> Joints { get; }

    /// <summary>Length outside the holder's nose, mm.</summary>
    public double ToolLength { get; }

    /// <summary>Run-out as a dial reads it at the tip, µm: as measured, otherwise as stated with the holder; 0 where neither is known.</summary>
    public double RunOut => Definition.RunOut > 0 ? Definition.RunOut : Holder.RunOut;

    /// <summary>Force along the axis at which the cutter slips out of what grips it, N; 0 where it is not known.</summary>
    public double HoldingForce => Joints[0].In.HoldingForce;

    /// <summary>Length from the tip to the gauge line, mm.</summary>
    public double GaugeLength => ToolLength + Holder.GaugeLength;

    /// <summary>Greatest spindle speed of all its parts, rev/min.</summary>
    public double LargestSpeed =>
        Extensions.Select(e => e.LargestSpeed)
            .Append(Holder.LargestSpeed)
            .Append(Cutter[Dimension.LargestSpeed] is var n && n > 0 ? n : double.PositiveInfinity)
            .Min();

    // Section of the shank of a tool that does not turn, mm²: round for a bar, and otherwise its height by its width.
    private double ShankSection => Cutter.Described.Shank == ShankForm.Cylindrical
        ? Math.PI / 4 * Cutter.ShankSize * Cutter.ShankSize
        : Cutter.ShankSize * (Cutter[Dimension.ShankWidth] is var b && b > 0 ? b : Cutter.ShankSize);

    /// <summary>Mass, kg: the holder as weighed or estimated, the rest from the profile.</summary>
    public double Mass
    {
        get
        {
            double density = Cutter.Material == CuttingMaterial.Carbide && !Cutter.Described.Inserts
                ? Assembly.CarbideDensity
                : Assembly.SteelDensity;
            double cutter = Cutter.Profile() is { Shape: ProfileShape.Revolved } revolved
                ? revolved.Volume(_ => true) * density
                : ShankSection * Cutter.OverallLength * density;
            return cutter + Extensions.Sum(e => e.EstimatedMass()) + Holder.EstimatedMass();
        }
    }

    /// <summary>What a place of a tool store has to carry.</summary>
    public StoredTool Stored => new(Definition.Number, Holder.Interface, Profile().Girth, GaugeLength, Mass, Holder.Driven);

    /// <summary>Its profile, from the tip to the gauge line.</summary>
    public Profile Profile()
    {
        Profile cutter = Cutter.Profile().Until(Definition.Projection);
        List<ProfileElement> elements = [.. cutter.Elements];
        double from = Definition.Projection;
        for (int i = 0; i < Extensions.Count; i++)
        {
            double until = from + Definition.Extensions[i].Projection;
            elements.AddRange(Outside(Extensions[i].Profile(from).Until(until), cutter.Shape));
            from = until;
        }

        elements.AddRange(Outside(Holder.Profile(from), cutter.Shape));
        return cutter with { Elements = elements };
    }

    /// <summary>Checks the parts against each other.</summary>
    public InputCheck Check()
    {
        InputCheck check = new InputCheck().Named("number", "The shop number", Definition.Number, 24)
            .Holds(
                Holder.Role == HolderRole.Holder, "holderId", double.NaN,
                $"{Holder.Number} is an extension and does not fit a machine; choose a holder, and put {Holder.Number} among the extensions.")
            .Holds(Definition.Extensions.Count <= 4, "extensions", Definition.Extensions.Count, "An assembly holds at most 4 extensions.")
            .Within("lengthRegister", "The length register", Definition.LengthRegister, 0, 9999, Quantity.Count)
            .Within("runOut", "The run-out measured", Definition.RunOut, 0, 500, Quantity.Deviation)
            .Within("diameterRegister", "The diameter register", Definition.DiameterRegister, 0, 9999, Quantity.Count)
            .Holds(Definition.StockPlace.Length <= 40, "stockPlace", Definition.StockPlace.Length, "The stock place holds at most 40 characters.");
        for (int i = 0; i < Extensions.Count; i++)
            check.Holds(
                Extensions[i].Role != HolderRole.Holder, $"extensions[{i}].holderId", double.NaN,
                $"{Extensions[i].Number} is a holder; only extensions and sleeves stand between cutter and holder.");
        for (int i = 0; i < Joints.Count; i++)
            Joints[i].Check(check, i < Extensions.Count ? $"extensions[{i}].holderId" : "holderId");
        return check;
    }

    // Beside a flat tool the holder is drawn as the loop of its section, so that its halves stand apart.
    private static IEnumerable<ProfileElement> Outside(Profile part, ProfileShape shape)
    {
        if (shape == ProfileShape.Revolved || part.Elements.Count == 0) return part.Elements;
        IReadOnlyList<ProfileElement> upper = part.Elements;
        double end = upper[^1].ToZ, r = upper[^1].ToR;
        IEnumerable<ProfileElement> lower = upper.Reverse().Select(e => new ProfileElement(e.Part, e.ToZ, -e.ToR, e.FromZ, -e.FromR, e.Bulge));
        return [.. upper, new(upper[0].Part, end, r, end, -r), .. lower];
    }
}
