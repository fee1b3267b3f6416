module Magpie
  # What presses make of colours.
  module Press
    autoload :LittleCms, "magpie/press/little_cms"
    autoload :Closest, "magpie/press/closest"
    autoload :Condition, "magpie/press/condition"
    autoload :Profile, "magpie/press/profile"
    autoload :Proof, "magpie/press/proof"

    # ΔE00 between a colour and its print above which it is outside the press's gamut.
    OUTSIDE = 2.0
    # Files of profiles/, what they stand for, and per cent of ink that ISO 12647-2 presses lay on one place.
    SHIPPED = {"coated" => ["Coated paper, four inks", 330.0], "uncoated" => ["Uncoated paper, four inks", 300.0]}.freeze
    MAKING = Mutex.new
    private_constant :MAKING

    module_function

    # Those that come with the application, see profiles/README.md.
    # @return [Array<Condition>]
    def shipped
      MAKING.synchronize do
        @shipped ||= SHIPPED.map { |file, (name, limit)| Condition.new(name, ::File.binread("#{__dir__}/press/profiles/#{file}.icc"), limit:) }.freeze
      end
    end

    # The condition that holds unless another is named.
    # @return [Condition]
    def usual = shipped.first
  end
end
