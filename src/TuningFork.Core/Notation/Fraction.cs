using System.Globalization;
using System.Numerics;

namespace TuningFork.Core.Notation;

/// <summary>
/// An exact part of a whole note: 1/4 a quarter note, 3/8 a dotted quarter. Always in lowest terms, the lower number above 0.
/// </summary>
public readonly record struct Fraction : IComparable<Fraction>
{
    private readonly long denominator;

    /// <summary>A fraction.</summary>
    /// <param name="numerator">The upper number.</param>
    /// <param name="denominator">The lower number, not 0.</param>
    /// <exception cref="DivideByZeroException">The lower number is 0.</exception>
    public Fraction(long numerator, long denominator)
    {
        if (denominator == 0)
            throw new DivideByZeroException("A fraction needs a lower number other than 0.");
        var divisor = (long)BigInteger.GreatestCommonDivisor(numerator, denominator) * Math.Sign(denominator);
        Numerator = numerator / divisor;
        this.denominator = denominator / divisor;
    }

    /// <summary>Nothing.</summary>
    public static Fraction Zero { get; } = new(0, 1);

    /// <summary>A whole note.</summary>
    public static Fraction Whole { get; } = new(1, 1);

    /// <summary>The upper number.</summary>
    public long Numerator { get; }

    /// <summary>The lower number, 1 or more.</summary>
    public long Denominator => denominator == 0 ? 1 : denominator;

    /// <summary>As a floating number, for seconds only.</summary>
    public double Value => (double)Numerator / Denominator;

    /// <summary>Sum.</summary>
    public static Fraction operator +(Fraction a, Fraction b) =>
        new((a.Numerator * b.Denominator) + (b.Numerator * a.Denominator), a.Denominator * b.Denominator);

    /// <summary>Difference.</summary>
    public static Fraction operator -(Fraction a, Fraction b) =>
        new((a.Numerator * b.Denominator) - (b.Numerator * a.Denominator), a.Denominator * b.Denominator);

    /// <summary>Product.</summary>
    public static Fraction operator *(Fraction a, Fraction b) => new(a.Numerator * b.Numerator, a.Denominator * b.Denominator);

    /// <summary>Quotient.</summary>
    public static Fraction operator /(Fraction a, Fraction b) => new(a.Numerator * b.Denominator, a.Denominator * b.Numerator);

    /// <summary>Less.</summary>
    public static bool operator <(Fraction a, Fraction b) => a.CompareTo(b) < 0;

    /// <summary>More.</summary>
    public static bool operator >(Fraction a, Fraction b) => a.CompareTo(b) > 0;

    /// <summary>Not more.</summary>
    public static bool operator <=(Fraction a, Fraction b) => a.CompareTo(b) <= 0;

    /// <summary>Not less.</summary>
    public static bool operator >=(Fraction a, Fraction b) => a.CompareTo(b) >= 0;

    /// <summary>Sum of many.</summary>
    public static Fraction Sum(IEnumerable<Fraction> parts) => parts.Aggregate(Zero, (sum, part) => sum + part);

    /// <inheritdoc/>
    public int CompareTo(Fraction other) => (Numerator * other.Denominator).CompareTo(other.Numerator * Denominator);

    /// <summary>"3/8", or "1" for a whole number.</summary>
    public override string ToString() =>
        Denominator == 1
            ? Numerator.ToString(CultureInfo.InvariantCulture)
            : string.Create(CultureInfo.InvariantCulture, $"{Numerator}/{Denominator}");
}
