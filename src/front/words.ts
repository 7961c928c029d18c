/**
 * Short words that are told apart when they are read aloud: two of them stand on both screens while
 * a phone is let in.
 */
export const WORDS = (
  "amber anchor apple arrow autumn badger basket beacon birch bramble bridge bronze butter button " +
  "candle canoe carpet castle cedar cherry clover cobalt compass copper coral cotton cricket crystal " +
  "daisy dolphin dragon ember falcon feather fennel fiddle forest fossil garden ginger granite " +
  "hammer harbor hazel heron honey island ivory jacket jasmine kettle ladder lantern lemon lilac " +
  "lobster magnet maple marble meadow mirror mitten mustard nutmeg oatmeal olive orchid otter paddle " +
  "parrot pebble pepper piano pigeon pillow planet plum pocket pumpkin puzzle quartz rabbit raven " +
  "ribbon river rocket saddle saffron salmon sapphire silver sparrow spider summer sunset tiger " +
  "timber tulip tunnel turtle umbrella velvet violet walnut whistle willow window winter yellow zebra"
).split(" ");
