# Desks, and what pages are given of them.
module DesksSupport
  # @return [Frame::Desk]
  def desk(project, visitor: "one", **given) = Frame::Desk.new(actor, project, visitor:, **given)

  # Parameters as a request gives them.
  def asking(**given) = Frame::Asked.new(given.transform_values(&:to_s).transform_keys(&:to_s))

  def hold(project, swatch, visitor: "one") = desk(project, visitor:).hand.tap { |hand| hand.hold(Hand::Content.of_swatch(swatch.reload)) }.settle

  # @param chosen [Hash{String => Object}]
  def choose(project, chosen, visitor: "one") = desk(project, visitor:).hand.tap { |hand| hand.choose(chosen) }.settle
end

RSpec.configure { |config| config.include DesksSupport, file_path: %r{/spec/places/} }
