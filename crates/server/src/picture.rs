//! Pictures that are sent: read with care, made small, written anew.
//!
//! What is kept is a JPEG of our own making: no place, no device, no hidden
//! thumbnail, nothing that only looks like a picture.

use craft::colour::{hex, light};
use craft::message::Message;
use std::io::Cursor;
use std::sync::Arc;

use tokio::sync::Semaphore;

use crate::catalogue::files as say;
use crate::problem::Problem;
use image::codecs::jpeg::JpegEncoder;
use image::imageops::FilterType;
use image::metadata::Orientation;
use image::{DynamicImage, ImageDecoder, ImageFormat, ImageReader, Limits};

/// The longest side that is kept, pixels.
const LONGEST: u32 = 1_600;
/// The longest side that is read at all, pixels.
const LONGEST_READ: u32 = 12_000;
/// The most memory that reading one may take, MiB: some forty million pixels.
const MOST_MIB: u32 = 120;
/// What all that are read at once may take, MiB; a decoder holds a picture twice at times.
pub const AT_ONCE_MIB: u32 = 130;
/// What one counts for at least: two at a time.
const LEAST_MIB: u32 = AT_ONCE_MIB / 2;
const QUALITY: u8 = 85;

/// A picture as it is kept.
#[derive(Debug)]
pub struct Kept {
    /// Width, pixels.
    pub width: u32,
    /// Height, pixels.
    pub height: u32,
    /// JPEG.
    pub jpeg: Vec<u8>,
}

/// The same off the threads that answer, two at a time, or one that is large: reading one takes
/// memory.
///
/// # Errors
/// Where the server is being stopped; within, what is wrong with the picture.
pub async fn made_anew_off_thread(
    pictures: &Arc<Semaphore>,
    bytes: impl AsRef<[u8]> + Send + 'static,
) -> Result<Result<Kept, Message>, Problem> {
    let takes = mib(bytes.as_ref()).clamp(LEAST_MIB, AT_ONCE_MIB);
    let permit = pictures.clone().acquire_many_owned(takes).await;
    let permit = permit.map_err(|_| Problem::internal())?;
    actix_web::web::block(move || {
        let made = made_anew(bytes.as_ref());
        drop(permit);
        made
    })
    .await
    .map_err(|_| Problem::internal())
}

/// What a picture would take, by what its head says; nothing where it has none.
fn mib(bytes: &[u8]) -> u32 {
    let reader = ImageReader::new(Cursor::new(bytes)).with_guessed_format().ok();
    let decoder = reader.and_then(|reader| reader.into_decoder().ok());
    decoder.map_or(0, |decoder| u32::try_from(decoder.total_bytes() >> 20).unwrap_or(u32::MAX))
}

/// Reads a PNG or JPEG and writes it anew.
///
/// # Errors
/// What is wrong with it, in words that follow "photo".
pub fn made_anew(bytes: &[u8]) -> Result<Kept, Message> {
    let mut reader =
        ImageReader::new(Cursor::new(bytes)).with_guessed_format().map_err(|_| say::damaged())?;
    if !matches!(reader.format(), Some(ImageFormat::Png | ImageFormat::Jpeg)) {
        return Err(say::png_or_jpeg());
    }
    let mut limits = Limits::default();
    limits.max_image_width = Some(LONGEST_READ);
    limits.max_image_height = Some(LONGEST_READ);
    limits.max_alloc = Some(u64::from(MOST_MIB) << 20);
    reader.limits(limits);
    let too_large = || say::at_most_pixels(LONGEST_READ);
    let broken = |error: image::ImageError| match error {
        image::ImageError::Limits(_) => too_large(),
        _ => say::damaged(),
    };
    let mut decoder = reader.into_decoder().map_err(broken)?;
    // A decoder minds what it needs itself, not what the picture comes to.
    if decoder.total_bytes() > u64::from(MOST_MIB) << 20 {
        return Err(too_large());
    }
    let turned = decoder.orientation().unwrap_or(Orientation::NoTransforms);
    let mut picture = DynamicImage::from_decoder(decoder).map_err(broken)?;
    // First by averaging, which takes no room of its own, then with care.
    if picture.width().max(picture.height()) > 2 * LONGEST {
        picture = picture.thumbnail(2 * LONGEST, 2 * LONGEST);
    }
    if picture.width().max(picture.height()) > LONGEST {
        picture = picture.resize(LONGEST, LONGEST, FilterType::Triangle);
    }
    picture.apply_orientation(turned);
    let mut jpeg = Vec::new();
    picture
        .to_rgb8()
        .write_with_encoder(JpegEncoder::new_with_quality(&mut jpeg, QUALITY))
        .map_err(|_| say::damaged())?;
    Ok(Kept { width: picture.width(), height: picture.height(), jpeg })
}

/// A spot is so wide, of the picture's shorter side.
const SPOT: f64 = 0.06;

/// The colour of a spot of a picture that was kept, `#rrggbb`: the mean of the light that comes
/// from it. Where it lies is given by shares of width and height, 0 to 1.
#[must_use]
pub fn spot(jpeg: &[u8], [x, y]: [f64; 2]) -> Option<String> {
    let picture = image::load_from_memory_with_format(jpeg, ImageFormat::Jpeg).ok()?.to_rgb8();
    let [wide, high] = [picture.width(), picture.height()].map(f64::from);
    let radius = (SPOT * wide.min(high) / 2.0).max(1.0);
    let within = picture.enumerate_pixels().filter(|(px, py, _)| {
        let [dx, dy] = [f64::from(*px) + 0.5 - x * wide, f64::from(*py) + 0.5 - y * high];
        dx.hypot(dy) <= radius
    });
    let (sum, count) = within.fold(([0.0; 3], 0.0), |(sum, count), (_, _, pixel)| {
        let light = light(pixel.0);
        ([0, 1, 2].map(|i| sum[i] + light[i]), count + 1.0)
    });
    (count > 0.0).then(|| hex(sum.map(|all| all / count)))
}

#[cfg(test)]
mod tests {
    use image::RgbImage;

    use super::*;

    fn written(picture: &RgbImage, format: ImageFormat) -> Vec<u8> {
        let mut bytes = Cursor::new(Vec::new());
        picture.write_to(&mut bytes, format).expect("it is written");
        bytes.into_inner()
    }

    #[test]
    fn a_spot_has_the_colour_that_is_there() {
        let two = RgbImage::from_fn(400, 200, |x, _| {
            if x < 200 { image::Rgb([200, 40, 40]) } else { image::Rgb([40, 60, 200]) }
        });
        let kept = made_anew(&written(&two, ImageFormat::Png)).expect("a picture");
        let near = |at, wanted: [u8; 3]| {
            let seen = spot(&kept.jpeg, at).expect("within it");
            let channel = |i: usize| i32::from_str_radix(&seen[1 + 2 * i..3 + 2 * i], 16);
            (0..3).all(|i| {
                let off = channel(i).expect("hexadecimal") - i32::from(wanted[i]);
                off.abs() <= 6
            })
        };
        assert!(near([0.25, 0.5], [200, 40, 40]), "{:?}", spot(&kept.jpeg, [0.25, 0.5]));
        assert!(near([0.75, 0.5], [40, 60, 200]), "{:?}", spot(&kept.jpeg, [0.75, 0.5]));
        assert!(spot(&kept.jpeg, [1.0, 1.0]).is_some(), "its corner");
        assert_eq!(spot(b"no picture", [0.5, 0.5]), None);
    }

    #[test]
    fn large_ones_are_made_small_and_nothing_else_is_kept() {
        let large = RgbImage::from_pixel(2_400, 1_200, image::Rgb([90, 60, 40]));
        let mut png = written(&large, ImageFormat::Png);
        png.extend_from_slice(b"<script>alert(1)</script>");
        let kept = made_anew(&png).expect("a picture");
        assert_eq!((kept.width, kept.height), (1_600, 800));
        assert_eq!(kept.jpeg[..2], [0xFF, 0xD8]);
        let holds = |what: &[u8]| kept.jpeg.windows(what.len()).any(|part| part == what);
        assert!(!holds(b"script") && !holds(b"Exif"));
    }

    #[test]
    fn what_a_camera_says_of_up_is_followed_and_left_out() {
        let mut lying = RgbImage::new(40, 20);
        lying.put_pixel(0, 0, image::Rgb([255, 255, 255]));
        let plain = written(&lying, ImageFormat::Jpeg);
        // An Exif part right after the start that says: turn by a quarter.
        let tiff: &[u8] =
            b"Exif\0\0II*\0\x08\0\0\0\x01\0\x12\x01\x03\0\x01\0\0\0\x06\0\0\0\0\0\0\0";
        let length = u16::try_from(tiff.len() + 2).expect("short").to_be_bytes();
        let tagged = [&plain[..2], &[0xFF, 0xE1], &length, tiff, &plain[2..]].concat();
        let kept = made_anew(&tagged).expect("a picture");
        assert_eq!((kept.width, kept.height), (20, 40));
        assert!(!kept.jpeg.windows(4).any(|part| part == b"Exif"));
    }

    #[test]
    fn what_is_no_picture_is_refused_with_the_reason() {
        for (bytes, words) in [
            (&b""[..], "must be a PNG or a JPEG"),
            (b"<svg xmlns='http://www.w3.org/2000/svg'><script/></svg>", "must be a PNG"),
            (b"GIF89a\x01\0\x01\0\0\0\0;", "must be a PNG"),
            (b"\x89PNG\r\n\x1a\n\0\0\0\rIHDR", "is damaged"),
            (b"\xFF\xD8\xFF\xE0 not really", "is damaged"),
        ] {
            let told = made_anew(bytes).expect_err("refused");
            assert!(told.text().contains(words), "{told}");
        }
        // A bomb: a header that claims a side of a hundred thousand pixels.
        let mut bomb = written(&RgbImage::new(2, 2), ImageFormat::Png);
        bomb[16..20].copy_from_slice(&100_000u32.to_be_bytes());
        assert!(made_anew(&bomb).is_err());
        // Each side will do, and all of it would not.
        let wide = written(&RgbImage::new(9_000, 5_000), ImageFormat::Png);
        let Err(told) = made_anew(&wide) else { panic!("it was read") };
        assert!(told.text().contains("forty million in all"), "{told}");
    }
}
