# A palette that somebody brings in, which meets the demo's in some names, and has a line that is
# wrong; and what of its colours is in the project already, under other names.
module Trail
  CSV = <<~CSV
    Group;Name;R;G;B
    Dusk sky;Ember sky;234;108;74
    Dusk sky;Apricot;243;186;112
    Brass and glass;Lamp;255;200;60
    Brass and glass;Dome slit;255;206;92
    Trail;Flare;300;90;40
    Trail;;76;166;86
  CSV

  # The project has a second palette.
  def bring_in_stars
    swatches = %w[#2D9EB1 #4CA656].map { |text| Magpie::Palette::Swatch.new(name: text, colour: hex(text)) }
    groups = [Magpie::Palette::Group.new(name: "Stars", swatches:)]
    Changes::BringInPalette.perform(demo, actor:, value: Magpie::Palette.new(name: "Star trail", groups:))
  end

  def settle(name, choice) = find("tr", text: name).find("label", text: choice).click

  def house = demo.palettes.find_by!(name: "Quillmere house")
end
