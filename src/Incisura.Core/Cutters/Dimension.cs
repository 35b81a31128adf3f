using System.Globalization;

namespace Incisura.Core.Cutters;

/// <summary>A dimension a cutter can have: symbol, plain words, and what it measures.</summary>
/// <param name="Symbol">Symbol of ISO 13399, or of ISO 3002 for chip and cut; unique, and the key the value is kept under.</param>
/// <param name="Name">Plain words, in lower case.</param>
/// <param name="Quantity">What it measures; values are in its base unit.</param>
public sealed record Dimension(string Symbol, string Name, Quantity Quantity)
{
    // Every dimension below puts itself here as it is made, in the order of the source.
    private static readonly Dictionary<string, Dimension> BySymbol = new(StringComparer.OrdinalIgnoreCase);

    /// <summary>DC: cutting diameter, mm; the one a cutter is called by.</summary>
    public static readonly Dimension CuttingDiameter = Length("DC", "cutting diameter");

    /// <summary>DCX: largest cutting diameter, mm.</summary>
    public static readonly Dimension LargestDiameter = Length("DCX", "largest cutting diameter");

    /// <summary>DCN: least cutting diameter, mm, of what can be set or tapers.</summary>
    public static readonly Dimension LeastDiameter = Length("DCN", "least cutting diameter");

    /// <summary>DMIN: least bore a tool goes into, mm.</summary>
    public static readonly Dimension LeastBore = Length("DMIN", "least bore it goes into");

    /// <summary>TDZ: nominal diameter of the thread, mm.</summary>
    public static readonly Dimension ThreadDiameter = Length("TDZ", "thread diameter");

    /// <summary>TP: pitch of the thread, mm.</summary>
    public static readonly Dimension Pitch = Length("TP", "thread pitch");

    /// <summary>TPX: largest pitch of an insert for a range of threads, mm.</summary>
    public static readonly Dimension LargestPitch = Length("TPX", "largest thread pitch");

    /// <summary>CW: cutting width, mm.</summary>
    public static readonly Dimension CuttingWidth = Length("CW", "cutting width");

    /// <summary>APMX: largest depth of cut, mm.</summary>
    public static readonly Dimension LargestDepth = Length("APMX", "largest depth of cut");

    /// <summary>LCF: length of the chip flutes, mm.</summary>
    public static readonly Dimension FluteLength = Length("LCF", "flute length");

    /// <summary>LU: usable length to the end of the neck, mm.</summary>
    public static readonly Dimension UsableLength = Length("LU", "usable length");

    /// <summary>OAL: overall length, mm.</summary>
    public static readonly Dimension OverallLength = Length("OAL", "overall length");

    /// <summary>DN: neck diameter, mm.</summary>
    public static readonly Dimension NeckDiameter = Length("DN", "neck diameter");

    /// <summary>DMM: shank diameter, mm.</summary>
    public static readonly Dimension ShankDiameter = Length("DMM", "shank diameter");

    /// <summary>DCB: diameter of the bore that seats on an arbor, mm.</summary>
    public static readonly Dimension SeatBore = Length("DCB", "bore of the seat");

    /// <summary>DHUB: diameter of the hub, mm.</summary>
    public static readonly Dimension HubDiameter = Length("DHUB", "hub diameter");

    /// <summary>BD: diameter of the body behind the edge, mm.</summary>
    public static readonly Dimension BodyDiameter = Length("BD", "body diameter");

    /// <summary>RE: corner radius, mm.</summary>
    public static readonly Dimension CornerRadius = Length("RE", "corner radius");

    /// <summary>PRFRAD: radius of the profile, mm.</summary>
    public static readonly Dimension ProfileRadius = Length("PRFRAD", "profile radius");

    /// <summary>SDL: length of the first step, mm.</summary>
    public static readonly Dimension StepLength = Length("SDL", "length of the step");

    /// <summary>LPIL: length of the pilot, mm.</summary>
    public static readonly Dimension PilotLength = Length("LPIL", "length of the pilot");

    /// <summary>DPIL: diameter of the pilot, mm.</summary>
    public static readonly Dimension PilotDiameter = Length("DPIL", "diameter of the pilot");

    /// <summary>KAPR: tool cutting edge angle κ_r, against the plane of the work, degrees.</summary>
    public static readonly Dimension EdgeAngle = Angle("KAPR", "tool cutting edge angle");

    /// <summary>Clearance angle of the major cutting edge, of a threading insert at the nose of its profile.</summary>
    public static readonly Dimension Clearance = Angle("AN", "clearance angle");

    /// <summary>SIG: point angle, or included angle of a cone, degrees.</summary>
    public static readonly Dimension PointAngle = Angle("SIG", "point angle");

    /// <summary>STA: included angle of the step, degrees.</summary>
    public static readonly Dimension StepAngle = Angle("STA", "angle of the step");

    /// <summary>TA: taper per side against the axis, degrees.</summary>
    public static readonly Dimension TaperAngle = Angle("TA", "taper per side");

    /// <summary>PNA: included angle of the thread profile, degrees.</summary>
    public static readonly Dimension ProfileAngle = Angle("PNA", "profile angle");

    /// <summary>FHA: helix angle, degrees; negative for a left-hand helix.</summary>
    public static readonly Dimension HelixAngle = Angle("FHA", "helix angle");

    /// <summary>ZEFF: number of teeth.</summary>
    public static readonly Dimension Teeth = Make("ZEFF", "teeth", Quantity.Count);

    /// <summary>IC: inscribed circle of the insert, mm.</summary>
    public static readonly Dimension InscribedCircle = Length("IC", "inscribed circle of the insert");

    /// <summary>H: height of the shank or of the blade, mm.</summary>
    public static readonly Dimension ShankHeight = Length("H", "shank height");

    /// <summary>B: width of the shank, mm.</summary>
    public static readonly Dimension ShankWidth = Length("B", "shank width");

    /// <summary>WF: functional width from the nose to the far side of the shank, or to the axis of a bar, mm.</summary>
    public static readonly Dimension FunctionalWidth = Length("WF", "functional width");

    /// <summary>LH: length of the head, mm.</summary>
    public static readonly Dimension HeadLength = Length("LH", "head length");

    /// <summary>CDX: largest depth a grooving or parting blade reaches, mm.</summary>
    public static readonly Dimension Reach = Length("CDX", "reach of the blade");

    /// <summary>WB: thickness of the blade behind the edge, mm.</summary>
    public static readonly Dimension BladeWidth = Length("WB", "blade thickness");

    /// <summary>CUTDIA: greatest work diameter parted or grooved at full reach, mm.</summary>
    public static readonly Dimension GreatestWork = Length("CUTDIA", "greatest work diameter");

    /// <summary>h_min: least chip thickness the edge still cuts, mm.</summary>
    public static readonly Dimension LeastChip = Make("h_min", "least chip", Quantity.Chip);

    /// <summary>h_max: largest chip thickness the edge stands, mm.</summary>
    public static readonly Dimension LargestChip = Make("h_max", "largest chip", Quantity.Chip);

    /// <summary>a_e/DC: largest width of cut over diameter the cutter is meant for.</summary>
    public static readonly Dimension LargestWidthRatio = Make("a_e/DC", "largest width over diameter", Quantity.Ratio);

    /// <summary>a_pmin: least depth of cut at which the insert forms its chip, mm.</summary>
    public static readonly Dimension LeastFormingDepth = Length("a_pmin", "least depth that forms chips");

    /// <summary>a_pmax: largest depth of cut at which the insert forms its chip, mm.</summary>
    public static readonly Dimension LargestFormingDepth = Length("a_pmax", "largest depth that forms chips");

    /// <summary>f_min: least feed at which the insert forms its chip, mm.</summary>
    public static readonly Dimension LeastFormingFeed = Make("f_min", "least feed that forms chips", Quantity.Chip);

    /// <summary>f_max: largest feed at which the insert forms its chip, mm.</summary>
    public static readonly Dimension LargestFormingFeed = Make("f_max", "largest feed that forms chips", Quantity.Chip);

    /// <summary>f_maxd: largest feed at which the insert forms its chip at its largest depth, mm; 0 where that is f_max as anywhere.</summary>
    public static readonly Dimension LargestFormingFeedDeep = Make("f_maxd", "largest feed at the largest depth, 0 as anywhere", Quantity.Chip);

    /// <summary>a_pminf: least depth at which the insert forms its chip at its largest feed, mm; 0 where that is a_pmin as anywhere.</summary>
    public static readonly Dimension LeastFormingDepthFast = Length("a_pminf", "least depth at the largest feed, 0 as anywhere");

    /// <summary>DAXN: least outer diameter at which a blade goes into a face, mm.</summary>
    public static readonly Dimension LeastFaceGroove = Length("DAXN", "least outer diameter of a groove in a face");

    /// <summary>DAXX: largest outer diameter at which a blade goes into a face, mm.</summary>
    public static readonly Dimension LargestFaceGroove = Length("DAXX", "largest outer diameter of a groove in a face");

    /// <summary>BS: length of the wiper edge beside the corner, mm; 0 where there is none.</summary>
    public static readonly Dimension WiperLength = Length("BS", "wiper edge length, 0 if none");

    /// <summary>DCC: diameter of the middle of the end face that does not cut, mm; 0 where the cutter cuts to its centre.</summary>
    public static readonly Dimension DeadCentre = Length("DCC", "diameter that does not cut");

    /// <summary>c_q: length of the chisel edge of a drill between its lips, mm.</summary>
    public static readonly Dimension ChiselEdge = Length("c_q", "chisel edge");

    /// <summary>RMPX: largest ramp angle, degrees.</summary>
    public static readonly Dimension LargestRamp = Angle("RMPX", "largest ramp angle");

    /// <summary>GAMF: radial rake angle, degrees.</summary>
    public static readonly Dimension Rake = Angle("GAMF", "radial rake angle");

    /// <summary>RPMX: largest spindle speed, rev/min; 0 where none is given.</summary>
    public static readonly Dimension LargestSpeed = Make("RPMX", "largest spindle speed", Quantity.SpindleSpeed);

    /// <summary>Every dimension, in the order people read them.</summary>
    public static IReadOnlyCollection<Dimension> All => BySymbol.Values;

    /// <summary>The dimension of a symbol, whatever its case; null where there is none.</summary>
    public static Dimension? Find(string symbol) => BySymbol.GetValueOrDefault(symbol);

    /// <summary>The range this dimension has in a family, and what a new cutter starts from.</summary>
    internal FamilyDimension In(double least, double most, double start) => new(this, least, most, start);

    private static Dimension Length(string symbol, string name) => Make(symbol, name, Quantity.Length);

    private static Dimension Angle(string symbol, string name) => Make(symbol, name, Quantity.Angle);

    private static Dimension Make(string symbol, string name, Quantity quantity)
    {
        Dimension made = new(symbol, name, quantity);
        BySymbol.Add(symbol, made);
        return made;
    }
}

/// <summary>Another dimension that a value may not pass.</summary>
/// <param name="Symbol">Symbol of the other dimension.</param>
/// <param name="Factor">What its value is multiplied with.</param>
public readonly record struct DimensionBound(string Symbol, double Factor);

/// <summary>A dimension as one family uses it: its own range, and the dimensions it follows.</summary>
/// <param name="Dimension">The dimension.</param>
/// <param name="Least">Least value, base unit.</param>
/// <param name="Most">Largest value, base unit.</param>
/// <param name="Start">What a new cutter starts from, base unit.</param>
public sealed record FamilyDimension(Dimension Dimension, double Least, double Most, double Start)
{
    /// <summary>Dimensions the value may not exceed.</summary>
    public IReadOnlyList<DimensionBound> NotOver { get; private init; } = [];

    /// <summary>Dimensions the value may not fall below.</summary>
    public IReadOnlyList<DimensionBound> NotUnder { get; private init; } = [];

    /// <summary>Whether the cutter may lack it; 0 says the same as nothing.</summary>
    public bool Optional { get; private init; }

    /// <summary>The range with the other dimensions as they are.</summary>
    /// <param name="dimensions">Values by symbol.</param>
    public (double Least, double Most) RangeIn(IReadOnlyDictionary<string, double> dimensions)
    {
        (double least, double most) = (Tightest(NotUnder, Least, true, dimensions).Value, Tightest(NotOver, Most, false, dimensions).Value);
        return (least, Math.Max(least, most));
    }

    /// <summary>Why no value is left for it: what asks for at least more than something else allows. Null where there is room.</summary>
    /// <param name="dimensions">Values by symbol.</param>
    internal string? Contradiction(IReadOnlyDictionary<string, double> dimensions)
    {
        (double least, string under) = Tightest(NotUnder, Least, true, dimensions);
        (double most, string over) = Tightest(NotOver, Most, false, dimensions);
        if (least <= most * (1 + 1e-9)) return null;
        string Words(string symbol) => symbol.Length == 0 ? "its own range" : symbol;
        return string.Create(
            CultureInfo.InvariantCulture,
            $"{Words(under)} asks for at least {least:0.###} and {Words(over)} allows at most {most:0.###}; change "
                + $"{(under.Length == 0 ? over : over.Length == 0 ? under : $"{under} or {over}")}.");
    }

    // The bound that leaves least room, and the symbol it comes from; empty for the family's own.
    private static (double Value, string By) Tightest(
        IReadOnlyList<DimensionBound> bounds, double own, bool lower, IReadOnlyDictionary<string, double> dimensions)
    {
        (double tightest, string by) = (own, "");
        foreach (DimensionBound b in bounds)
            if (
                dimensions.TryGetValue(b.Symbol, out double v) && double.IsFinite(v) && v > 0
                    && (lower ? v * b.Factor > tightest : v * b.Factor < tightest))
                (tightest, by) = (v * b.Factor, b.Symbol);
        return (tightest, by);
    }

    internal FamilyDimension Under(Dimension other, double factor = 1) => this with { NotOver = [.. NotOver, new(other.Symbol, factor)] };

    internal FamilyDimension Over(Dimension other, double factor = 1) => this with { NotUnder = [.. NotUnder, new(other.Symbol, factor)] };

    internal FamilyDimension Free() => this with { Optional = true };
}
