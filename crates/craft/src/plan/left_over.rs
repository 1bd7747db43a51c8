//! What is left over of a bowl, and where it could go.

use crate::catalogue::plan as say;
use crate::chocolate::Chocolate;
use crate::message::Message;
use crate::spread::slab::ALLOWANCE_SHARE;
use crate::units::{Area, Mass, grams, in_grams, in_square_centimetres, millimetres};
use crate::work::{
    ClustersInputs, ComponentInputs, CoverInputs, Lining, MixedAmount, MixedInInputs, PipedInputs,
    PipedShape, SlabInputs, TrayInputs, WorkInputs,
};

/// Less than this is licked off the spatula, g (*custom*).
const WORTH_USING_G: f64 = 20.0;
const BARK_MM: f64 = 4.0;
const CLUSTER_G: f64 = 12.0;
/// What is bound in clusters where nobody says.
const GOODS: &str = "chopped nuts";
const CLUSTER_PARTS: f64 = 0.5;
const STAR_MM: f64 = 320.0;
const LINE_MM: f64 = 4.0;

/// What is left over.
#[derive(Clone, Debug, PartialEq)]
pub struct LeftOver {
    /// How much.
    pub mass: Mass,
    /// Where it could go.
    pub ideas: Vec<Idea>,
}

/// Where a left-over could go.
#[derive(Clone, Debug, PartialEq)]
pub struct Idea {
    /// In a few words.
    pub text: Message,
    /// A component that takes all of it, ready to be added.
    pub component: ComponentInputs,
}

/// What could be made of what is left over; `None` where it is not worth it.
pub(super) fn left_over(key: &str, chocolate: &Chocolate, mass: Mass) -> Option<LeftOver> {
    let left_g = in_grams(mass);
    if left_g < WORTH_USING_G {
        return None;
    }
    // What is made of it leaves its share on bowl and spatula too.
    let usable = mass / (1.0 + ALLOWANCE_SHARE);
    let usable_g = in_grams(usable);
    let area: Area = usable / chocolate.solid_density / millimetres(BARK_MM);
    let cm2 = in_square_centimetres(area);
    let bark = WorkInputs::Slab(SlabInputs {
        chocolate: key.to_owned(),
        cover: CoverInputs::Thickness {
            tray: TrayInputs::Area { area_cm2: (cm2 * 10.0).floor() / 10.0 },
            thickness_mm: BARK_MM,
        },
        mixed_in: Vec::new(),
        toppings: Vec::new(),
        lining: Lining::Parchment,
        piece_cm2: None,
        texture: None,
    });
    let clusters = (usable_g * (1.0 + CLUSTER_PARTS) / CLUSTER_G).floor();
    let cluster = WorkInputs::Clusters(ClustersInputs {
        chocolate: key.to_owned(),
        mixed_in: vec![MixedInInputs::usual(GOODS, MixedAmount::Parts { parts: CLUSTER_PARTS })],
        count: clusters as u32,
        each_g: CLUSTER_G,
        salted: false,
    });
    let star = in_grams(
        crate::spread::piped::piped(chocolate, millimetres(STAR_MM), millimetres(LINE_MM), 1)
            .chocolate,
    );
    let stars = (usable_g / star).floor();
    let piped = WorkInputs::Piped(PipedInputs {
        chocolate: key.to_owned(),
        shape: PipedShape::Outlines,
        length_mm: STAR_MM,
        line_mm: LINE_MM,
        count: stars as u32,
        flooded: None,
        second: None,
        outlines: None,
        frozen: None,
    });
    let idea = |name: &str, text: Message, work: WorkInputs| Idea {
        text,
        component: ComponentInputs {
            key: format!("left-over-{key}"),
            name: format!("{name} of the {key} that is left"),
            work,
        },
    };
    let mut ideas = Vec::new();
    if cm2 >= crate::check::TRAY_CM2.min {
        let side = cm2.sqrt();
        ideas.push(idea(
            "Bark",
            say::idea_bark(millimetres(BARK_MM), side, millimetres(side * 10.0)),
            bark,
        ));
    }
    ideas.push(idea("Clusters", say::idea_clusters(clusters, grams(CLUSTER_G), GOODS), cluster));
    if stars >= 1.0 {
        ideas.push(idea("Piped stars", say::idea_stars(stars), piped));
    }
    let mass = grams(left_g);
    Some(LeftOver { mass, ideas })
}
