RSpec.describe Board do
  let!(:project) { new_project }
  let(:source) { Changes::BringInSource.perform(project, actor:, name: "Curtain tweed.png", bytes: flat_picture(120, 80, [43, 143, 162]).pngsave_buffer) }
  let(:ember) { keep(project, "Ember sky", "#E46F58") }
  let(:brass) { keep(project, "Orrery brass", "#B88A33").tap { |swatch| share(project, swatch, ticks: []) } }
  let(:corners) { [[0.1, 0.1], [0.9, 0.1], [0.9, 0.9], [0.1, 0.9]] }

  def in_hand(swatch) = Hand::Content.of_swatch(swatch.reload)

  def begin_board(content = in_hand(ember), **given) = Changes::BeginBoard.perform(project, actor:, source:, corners:, content:, **given)

  def edit(variant, **given) = Changes::EditVariant.perform(project, actor:, variant: variant.reload, **given)

  def grounds(board) = ShownBoard.new(board.reload).variants.map { |shown| [shown.name, shown.ground.hex] }

  it "begins with a piece that is cut, on what is in hand" do
    board = begin_board
    expect([board.name, board.width, board.height, grounds(board)]).to eq ["Curtain tweed", 96, 64, [["Ember sky", "#E46F58"]]]
    expect(Vips::Image.new_from_buffer(board.piece, "").getpoint(30, 30)).to eq [43, 143, 162, 255]
    expect(begin_board.name).to eq "Curtain tweed 2"
    undo(project)
    expect([project.boards.count, Place.where.not(variant_id: nil).count]).to eq [1, 1]
    redo_change(project)
    expect(grounds(project.boards.last)).to eq [["Ember sky", "#E46F58"]]
    expect { Changes::BeginBoard.perform(project, actor:, source:, corners: [[0, 0], [1, 1]], content: in_hand(ember)) }.to raise_error(Magpie::Error, /three corners or more/)
  end

  it "follows swatches: a ground and a trim change with them, lighter and darker as said" do
    board = begin_board(in_hand(brass))
    variant = board.variants.first
    undone { edit(variant, trim: in_hand(brass)) }
    undone { edit(variant, steps: 3) }
    lighter = Variant.lightened(hex("#B88A33"), 3)
    expect(grounds(board)).to eq [["Orrery brass", lighter.hex]]
    expect(lighter.in(:oklch)[0]).to be_within(0.002).of(hex("#B88A33").in(:oklch)[0] + 3 * Variant::STEP)
    Changes::ChangeSwatch.perform(project, actor:, swatch: brass, colour: hex("#2F8FA3"), definition: nil, before: "#B88A33")
    shown = ShownBoard.new(board.reload).variants.first
    expect([shown.ground.hex, shown.trims.map { |trim| [trim.colour.hex, trim.name] }]).to eq [Variant.lightened(hex("#2F8FA3"), 3).hex, [["#2F8FA3", "Orrery brass"]]]
    undo(project)
    expect(grounds(board)).to eq [["Orrery brass", lighter.hex]]
  end

  it "keeps its colours when the swatch that it followed goes" do
    board = begin_board(in_hand(brass))
    undone { Changes::RemoveSwatches.perform(project, actor:, swatches: [brass]) }
    expect(grounds(board)).to eq [["Orrery brass", "#B88A33"]]
    expect(Following::Invariants.broken).to eq []
  end

  it "has variants, with the trims of the one that they were added beside" do
    board = begin_board
    first = board.variants.first
    edit(first, trim: in_hand(brass))
    edit(first, trim: Hand::Content.new(name: "Moonwash", colour: hex("#E0E1E8")))
    undone { edit(first, uses: %w[braid lining]) }
    undone { Changes::AddVariant.perform(project, actor:, board:, content: in_hand(brass), beside: first.reload) }
    added = ShownBoard.new(board.reload).variants.last
    expect(added.trims.map { |trim| [trim.name, trim.use, trim.colour.hex] }).to eq [["Orrery brass", "braid", "#B88A33"], ["Moonwash", "lining", "#E0E1E8"]]
    expect(Follow.where(place_id: Place.where(variant_id: added.id).ids, swatch_id: brass.id).count).to eq 2
    undone { edit(added.variant, without: 0) }
    expect(ShownBoard.new(board.reload).variants.map { |shown| shown.trims.map(&:name) }).to eq [["Orrery brass", "Moonwash"], ["Moonwash"]]
    undone { edit(first, ground: Hand::Content.new(name: "Oat field", colour: hex("#D9C8A2"))) }
    expect(grounds(board)).to eq [["Oat field", "#D9C8A2"], ["Orrery brass", "#B88A33"]]
    undone { Changes::RemoveVariant.perform(project, actor:, variant: added.variant) }
    expect { Changes::RemoveVariant.perform(project, actor:, variant: first) }.to raise_error(Magpie::Error, /has no other ground/)
  end

  it "notes what a ground is matched to, and forgets it with the ground" do
    library = Changes::BringInLibrary.perform(project, actor:, value: Magpie::Palette.new(name: "Tarn & Fell", groups: [Magpie::Palette::Group.new(name: "x", swatches: [Magpie::Palette::Swatch.new(name: "Hearth clay", code: "TF 088", colour: hex("#E3725F"))])]))
    board, entry = begin_board, library.entries.first
    variant = board.variants.first
    undone { edit(variant, entry:) }
    shown = ShownBoard.new(board.reload).variants.first
    expect([shown.variant.entry, shown.in_words]).to eq [entry, "ΔE #{format("%.1f", Magpie::Difference.de2000(hex("#E46F58"), hex("#E3725F")))} Hearth clay"]
    edit(variant, ground: in_hand(brass))
    expect(variant.reload.entry).to be_nil
    edit(variant, ground: Hand::Content.of_entry(entry))
    expect(variant.reload.entry).to eq entry
    undone { edit(variant, entry: nil) }
  end

  it "refuses what there is no room for, and names that are taken" do
    board = begin_board
    first = board.variants.first
    Changes::AddVariant.perform(project, actor:, board:, content: in_hand(brass))
    expect { edit(first, name: "orrery brass") }.to raise_error(Magpie::Error, /has a ground called orrery brass already/)
    expect { edit(first, name: " ") }.to raise_error(Magpie::Error, "A ground needs a name")
    Variant::TRIMS.times { edit(first, trim: in_hand(ember)) }
    expect { edit(first, trim: in_hand(ember)) }.to raise_error(Magpie::Error, /8 trims are as many/)
    expect { edit(first, without: 20) }.to raise_error(Magpie::Error, /removed meanwhile/)
    20.times { edit(first, steps: first.reload.steps + 1) }
    expect(first.reload.steps).to eq Variant::STEPS.end
  end

  it "is cut again, renamed and removed, each in one undo; removed, it holds no swatch" do
    board = begin_board(in_hand(brass))
    undone { Changes::EditBoard.perform(project, actor:, board:, source:, corners: [[0, 0], [0.5, 0], [0.5, 0.5]]) }
    expect(board.reload.width).to eq 60
    undone { Changes::EditBoard.perform(project, actor:, board:, name: "Ticket hall") }
    expect { Changes::EditBoard.perform(project, actor:, board:, name: " ") }.to raise_error(Magpie::Error, "A board needs a name")
    undone { Changes::RemoveBoard.perform(project, actor:, board:) }
    expect([project.boards.reload.to_a, Follow.where(swatch_id: brass.id).count]).to eq [[], 0]
    undo(project)
    expect(grounds(board)).to eq [["Orrery brass", "#B88A33"]]
  end

  it "has a page for whoever knows its address, until that is taken away" do
    board = begin_board
    key = Changes::ShowBoard.perform(project, actor:, board:, on: true).show_key
    expect([key.size, Changes::ShowBoard.perform(project, actor:, board:, on: true).show_key]).to match [be >= 20, key]
    expect(Changes::ShowBoard.perform(project, actor:, board:, on: false).show_key).to be_nil
  end
end
